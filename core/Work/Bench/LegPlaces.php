<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Making\StepWords;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Verb;

/** Where the steps of an end stand in its procedure, and what is waited for after each. */
final readonly class LegPlaces
{
    /**
     * @param  array<int, int>  $turns  place of a step on this end → its place in the procedure
     * @param  array<int, int>  $waits  place on this end → s
     */
    private function __construct(private array $turns, private array $waits)
    {
    }

    /** What has to cool is waited for where it was made hot: waiting is no step. */
    public static function of(MadeEnd $end): self
    {
        $ids = array_flip(array_map(static fn (MakingStep $step): string => $step->id, $end->procedure->steps));
        $turns = $waits = [];
        foreach ($end->made->steps as $i => $step) {
            $turns[$i] = $ids[$step->step->id];
            foreach ($step->step->verb === Verb::Cool ? $end->needs[$i] : [] as $hot) {
                $waits[$hot] = max($waits[$hot] ?? 0, $step->step->seconds);
            }
        }

        return new self($turns, $waits);
    }

    public function turn(int $i): int
    {
        return $this->turns[$i] ?? count($this->turns);
    }

    /** @return int s */
    public function wait(int $i): int
    {
        return $this->waits[$i] ?? 0;
    }

    /**
     * Operations of some steps.
     *
     * @param  list<int>  $steps
     * @param  array<int, list<string>>  $ops
     * @return list<string>
     */
    public static function after(array $steps, array $ops): array
    {
        return array_merge(...array_map(static fn (int $step): array => $ops[$step] ?? [], $steps), ...[[]]);
    }

    /** Why something waits for a step. */
    public static function reason(StepMade $step, StepWords $words): string
    {
        return 'First: '.lcfirst($words->does($step->doing)).'.';
    }
}
