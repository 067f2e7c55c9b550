<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Near\Beyond;
use Sartal\Core\Proof\Record\Record;

/**
 * Plan = f(Installation, Record). Each run is planned by itself and kept under
 * a hash of what it depends on, so that one edit recomputes one subject.
 */
final readonly class Planner
{
    public function __construct(private PlanCache $cache = new MemoryPlanCache())
    {
    }

    /** @param  ?Beyond  $beyond  where it is a part: the rest of the installation, as far as that is seen from here */
    public function plan(Installation $installation, Record $record = new Record(), ?Beyond $beyond = null): Plan
    {
        return new Plan($installation, $record, $this->cache, $beyond ?? Beyond::nothing());
    }
}
