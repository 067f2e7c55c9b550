<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Plan;

/** From the sheets that the bench works by. */
final readonly class PlannedEnds implements EndAsks
{
    private EndParts $ends;

    public function __construct(private Installation $installation, private Plan $plan)
    {
        $this->ends = new EndParts($installation);
    }

    public function of(string $run, Side $side): array
    {
        $of = $this->installation->run($run);
        $plan = $this->plan->runs[$run] ?? null;

        return $of === null || $plan === null || $of->withdrawn ? [] : $this->ends->of($of, $side, $plan);
    }

    /**
     * @param  list<string>  $runs  ids
     * @return array<int|string, array<int|string, list<Ask>>> by run and side
     */
    public function all(array $runs): array
    {
        $asks = [];
        foreach ($runs as $run) {
            foreach (Side::cases() as $side) {
                $asks[$run][$side->value] = $this->of($run, $side);
            }
        }

        return $asks;
    }
}
