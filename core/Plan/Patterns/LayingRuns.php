<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Patterns;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\SignalType;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Sketch;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposer;
use Sartal\Core\Plan\Proposing\RunCodes;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Plan\Proposing\Termination;

/** Lays runs for a pattern: with the next free codes, and as many cables as it takes. */
final readonly class LayingRuns
{
    /** What an end takes where the pattern asks for nothing: a little, as in the form. */
    private const PREPARATION = 40;

    private Proposer $proposer;

    private RunCodes $codes;

    public function __construct(private Sketch $on)
    {
        $this->proposer = new Proposer($on->now()->catalogue);
        $this->codes = RunCodes::free($on->now());
    }

    /**
     * @param  string  $first  answer under "code"
     * @return non-empty-list<string>
     *
     * @throws CannotJoin
     */
    public function codes(string $first, int $many): array
    {
        if (preg_match('~^[\p{L}\p{N}][\p{L}\p{N} ./_-]{0,39}$~u', $first) !== 1) {
            throw CannotJoin::because('code', $first, 'Write a code such as M-301.');
        }
        $codes = $this->codes->from($first, $many);
        if ($codes === []) {
            throw CannotJoin::because('code', $first, $this->codes->isTaken($first)
                ? 'A run has this code already. Choose another to begin with.'
                : 'End the code with a number: the others go on from it.');
        }

        return $codes;
    }

    /** @throws CannotJoin where nothing in the cable carries the signal */
    public function capacity(string $cable, SignalType $signal, string $key): int
    {
        $type = $this->on->now()->catalogue->theCable($cable);
        $capacity = $this->proposer->capacity($type, $signal);

        return $capacity > 0 ? $capacity : throw CannotJoin::because(
            $key,
            $type->name,
            sprintf('Nothing in it can carry %s. Choose another cable.', $signal->name),
        );
    }

    /**
     * @param  list<string>  $signals
     * @param  ?int  $circuits  as many of its elements are used; null: all
     *
     * @throws CannotJoin
     */
    public function run(
        string $code,
        string $cable,
        array $signals,
        Termination $a,
        Termination $b,
        ?int $circuits = null,
        ?Length $lead = null,
        string $note = '',
    ): Run {
        try {
            $proposal = $this->proposer->propose(new RunRequest(
                $this->codes->id($code),
                $code,
                $cable,
                $signals,
                $lead === null ? Build::Shop : Build::Lead,
                $a,
                $b,
                [],
                note: $note,
                length: $lead,
                circuits: $circuits,
            ));
        } catch (CannotPropose $cannot) {
            throw CannotJoin::because($cannot->field, $cannot->value, $cannot->getMessage());
        }
        $this->on->add($proposal);

        return $proposal->run;
    }

    public function signal(string $id): SignalType
    {
        return $this->on->now()->catalogue->theSignal($id);
    }

    public function cable(string $id): CableType
    {
        return $this->on->now()->catalogue->theCable($id);
    }

    public static function end(
        string $location,
        Length $tail,
        Length $slack,
        Length $leg,
        string ...$plans,
    ): Termination {
        return new Termination(
            $location,
            array_values($plans),
            $tail,
            $slack,
            Length::millimetres(self::PREPARATION),
            0,
            $leg,
        );
    }
}
