<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Measure\Figure;

/** What a crew's own record says of the steps of procedures: how long they take, and what is found afterwards. */
final readonly class Experience
{
    /**
     * @param  array<int|string, int>  $looked  "procedure/defect" → ends that it made and somebody looked over for that
     * @param  array<int|string, int>  $found  "procedure/defect" → of those, how many had it
     */
    public function __construct(
        public TimeBook $times = new TimeBook(),
        private array $looked = [],
        private array $found = [],
    ) {
    }

    /** How often a step was timed; 0: never. */
    public function timed(Operation $operation): int
    {
        return $operation->procedure === '' ? 0 : $this->times->counted($operation->timing());
    }

    /** @return ?array{int, int} how many of the ends that a procedure made had a defect, and of how many it is known */
    public function found(string $procedure, string $defect): ?array
    {
        $key = self::key($procedure, $defect);
        $of = $this->looked[$key] ?? 0;

        return $of === 0 ? null : [$this->found[$key] ?? 0, $of];
    }

    /**
     * @return array<int|string, StepKnown> step → what is known of it; without those of which nothing is
     */
    public function of(MakingProcedure $procedure): array
    {
        $known = [];
        foreach ($procedure->steps as $step) {
            $minutes = $this->minutes($procedure, $step);
            $found = $step->catches === '' ? null : $this->found($procedure->id, $step->catches);
            if ($minutes !== null || $found !== null) {
                $known[$step->id] = new StepKnown($minutes, $found[0] ?? 0, $found[1] ?? 0);
            }
        }

        return $known;
    }

    private function minutes(MakingProcedure $procedure, MakingStep $step): ?Figure
    {
        foreach (Pace::cases() as $pace) {
            $figure = $this->times->step($pace, $procedure->id.'/'.$step->id);
            if ($figure !== null) {
                return $figure;
            }
        }

        return null;
    }

    public static function key(string $procedure, string $defect): string
    {
        return $procedure.'/'.$defect;
    }
}
