<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Findings\Finding;

/** How every cut that is still to be made comes off the stock. */
final readonly class CutPlan
{
    /** @param  array<int|string, CablePlan>  $cables  by cable type id */
    public function __construct(public array $cables)
    {
    }

    /** @return list<Finding> */
    public function findings(): array
    {
        return array_merge(
            ...array_map(static fn (CablePlan $plan): array => $plan->findings, array_values($this->cables)),
            ...[[]],
        );
    }

    /** @return array<int|string, array{Stock, Cut}> run → what it comes off, and the cut */
    public function byRun(): array
    {
        $byRun = [];
        foreach ($this->cables as $plan) {
            foreach ($plan->assigned as $assigned) {
                foreach ($assigned->cuts as $cut) {
                    $byRun[$cut->run] = [$assigned->stock, $cut];
                }
            }
        }

        return $byRun;
    }
}
