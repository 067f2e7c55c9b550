<?php

declare(strict_types=1);

namespace App\Http\Controllers\Given;

use App\Changes\Author;
use App\Changes\ChangeLog;
use App\Changes\Decision;
use App\Formats\BadLine;
use App\Http\MadeOn;
use App\Planning\Edit;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\Fields;
use Sartal\Core\File\FileDecoder;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Demand;
use Sartal\Core\Given\Installation\Topology;

/** What is decided about a circuit beyond its signal: how it is shared, where its power comes in, where it ends. */
final readonly class CircuitController
{
    public function __construct(private ChangeLog $log)
    {
    }

    public function update(Request $request, Loaded $loaded, Author $author, string $id): JsonResponse
    {
        $circuit = $loaded->installation->circuits()[$id] ?? abort(404, 'There is no such circuit here.');
        $topology =
            Topology::tryFrom($request->string('topology')->toString()) ??
            throw BadLine::because(
                'topology',
                $request->string('topology')->toString(),
                'Choose point-to-point, split or daisy-chain.',
            );
        $name = $request->string('name')->trim()->limit(200, '')->toString();
        if ($name === '') {
            throw BadLine::because('name', '', 'A circuit needs a name.');
        }
        $changed = new Circuit(
            $id,
            $name,
            $circuit->signal,
            $topology,
            self::fitting($request, 'from', $loaded),
            self::fitting($request, 'phantom', $loaded),
            self::end($request, $loaded),
            self::demand($request, $circuit),
        );
        $edit = new Edit(DecisionKind::Circuit, $id, FileEncoder::circuit($changed), MadeOn::version($request));
        $this->log->write(Decision::on($loaded, $author, sprintf('Circuit %s changed', $name), [$edit]));

        return response()->json(['saved' => true]);
    }

    /** What it is asked to carry; what nobody sent stays as it was. */
    private static function demand(Request $request, Circuit $circuit): Demand
    {
        if (! $request->has('demand')) {
            return $circuit->demand;
        }
        $problems = new Problems();
        $demand = FileDecoder::demand(Fields::from((array) $request->input('demand'), 'demand', $problems));
        $problems->settle();

        return $demand;
    }

    private static function fitting(Request $request, string $field, Loaded $loaded): string
    {
        $id = $request->string($field)->toString();
        if ($id !== '' && ! isset($loaded->installation->fittings()[$id])) {
            throw BadLine::because($field, $id, 'There is no such fitting. Choose one of the circuit.');
        }

        return $id;
    }

    /** A fitting, or a device's port. */
    private static function end(Request $request, Loaded $loaded): string
    {
        $id = $request->string('terminator')->toString();
        if ($id !== '' && ! isset($loaded->installation->fittings()[$id]) && $loaded->installation->port($id) === null) {
            throw BadLine::because('terminator', $id, 'There is no such fitting or port. Choose one.');
        }

        return $id;
    }
}
