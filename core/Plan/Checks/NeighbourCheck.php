<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Plan\Runs\RunPlans;

/** A look at what is joined in one neighbourhood. */
interface NeighbourCheck
{
    /**
     * @param  RunPlans  $runs  of the neighbourhood
     * @return list<Finding> about what the neighbourhood is made of
     */
    public function of(Neighbourhood $near, RunPlans $runs): array;
}
