<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Contract\Answer;
use App\Contract\Body;
use App\Formats\BadLine;
use App\Http\Requests\Given\CircuitChange;
use App\Planning\Edit;
use App\Planning\Loaded;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Demand;

/** What is decided about a circuit beyond its signal: how it is shared, where its power comes in, where it ends. */
final readonly class CircuitController
{
    public function __construct(private ChangeLog $log)
    {
    }

    /** @return Answer<array{saved: true}> */
    public function update(
        #[Body(CircuitChange::class)] CircuitChange $sent,
        Loaded $loaded,
        Author $author,
        string $id,
    ): Answer {
        $circuit = $loaded->installation->circuits()[$id] ?? abort(404, 'There is no such circuit here.');
        $changed = new Circuit(
            $id,
            $sent->name,
            $circuit->signal,
            $sent->topology,
            self::fitting('from', $sent->from, $loaded),
            self::fitting('phantom', $sent->phantom, $loaded),
            self::end($sent->terminator, $loaded),
            self::demand($sent, $circuit),
        );
        $edit = new Edit(DecisionKind::Circuit, $id, FileEncoder::circuit($changed), $sent->version);
        $this->log->write(Decision::on($loaded, $author, sprintf('Circuit %s changed', $sent->name), [$edit]));

        return new Answer(['saved' => true]);
    }

    /** What it is asked to carry; what nobody sent stays as it was. */
    private static function demand(CircuitChange $sent, Circuit $circuit): Demand
    {
        if ($sent->demand === null) {
            return $circuit->demand;
        }
        $problems = new Problems();
        $demand = FileDecoder::demand(Fields::from($sent->demand, 'demand', $problems));
        $problems->settle();

        return $demand;
    }

    private static function fitting(string $field, string $id, Loaded $loaded): string
    {
        if ($id !== '' && ! isset($loaded->installation->fittings()[$id])) {
            throw BadLine::because($field, $id, 'There is no such fitting. Choose one of the circuit.');
        }

        return $id;
    }

    /** A fitting, or a device's port. */
    private static function end(string $id, Loaded $loaded): string
    {
        $in = $loaded->installation;
        if ($id !== '' && ! isset($in->fittings()[$id]) && $in->port($id) === null) {
            throw BadLine::because('terminator', $id, 'There is no such fitting or port. Choose one.');
        }

        return $id;
    }
}
