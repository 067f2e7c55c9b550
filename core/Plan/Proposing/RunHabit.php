<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Lean;

/** Of a run that there is, what a line of words is filled in from: the run itself need not be read for it. */
final readonly class RunHabit
{
    use Lean;

    /** @param  list<string>  $signals  ids of what it carries, each once */
    private function __construct(
        public string $id,
        public string $code,
        public bool $withdrawn,
        public string $cable,
        public Build $build,
        public array $signals,
        public EndHabit $a,
        public EndHabit $b,
    ) {
    }

    /**
     * Of all its runs, or of some.
     *
     * @param  ?list<string>  $runs  ids; those that are not in it are left out
     * @return array<int|string, self> by run, in their order
     */
    public static function in(Installation $installation, ?array $runs = null): array
    {
        $all = $installation->runs();
        $ends = $habits = [];
        // Ends that are alike are one thing: a house has few kinds of them, and thousands of ends.
        $end = static function (Run $run, Side $side) use (&$ends): EndHabit {
            $habit = EndHabit::of($run->end($side));

            return $ends[$habit->mark()] ??= $habit;
        };
        foreach ($runs === null ? $all : array_intersect_key($all, array_flip($runs)) as $id => $run) {
            $signals = [];
            foreach ($run->carries as $carriage) {
                $signals[$installation->circuit($carriage->circuit)->signal ?? ''] = true;
            }
            $habits[$id] = new self(
                $run->id,
                $run->code,
                $run->withdrawn,
                $run->cable,
                $run->build,
                array_map(strval(...), array_keys($signals)),
                $end($run, Side::A),
                $end($run, Side::B),
            );
        }

        return $habits;
    }

    public function isLoose(): bool
    {
        return $this->build === Build::Lead;
    }

    public function carries(string $signal): bool
    {
        return in_array($signal, $this->signals, true);
    }

    public function end(Side $side): EndHabit
    {
        return $side === Side::A ? $this->a : $this->b;
    }
}
