<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Installation\Installation;
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

    public function plan(Installation $installation, Record $record = new Record()): Plan
    {
        return new Plan($installation, $record, $this->cache);
    }
}
