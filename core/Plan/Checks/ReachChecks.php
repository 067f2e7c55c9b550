<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Plan\Runs\RunPlans;

/** How far circuits go over all cables that carry them. */
final readonly class ReachChecks implements NeighbourCheck
{
    private Reaches $reaches;

    public function __construct(Installation $installation)
    {
        $this->reaches = new Reaches($installation);
    }

    public function of(Neighbourhood $near, RunPlans $runs): array
    {
        return $this->reaches->findings(
            $this->reaches->lines(
                $runs->map(static fn (RunPlan $run): Length => $run->cut->result),
                $near->runs,
            ),
        );
    }
}
