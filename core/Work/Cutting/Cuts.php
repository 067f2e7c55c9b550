<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\Packing\AllotmentStore;
use Sartal\Core\Work\Cutting\Packing\MemoryAllotments;

/** How what is still to be cut comes off the stock. Apart from the plan, because only those who cut and buy ask. */
final class Cuts
{
    /** @param  ?list<string>  $runs  ids, where an order is for these alone */
    public static function plan(
        Installation $installation,
        Plan $plan,
        Record $record,
        ?array $runs = null,
        AllotmentStore $known = new MemoryAllotments(),
    ): CutPlan {
        $lengths = array_map(static fn (Run $run): Worked => $plan->cut($run->id), $installation->runs());
        $wanted = $runs === null ? $lengths : array_intersect_key($lengths, array_flip($runs));
        $planner = new CutPlanner($installation, $known);
        $from = static fn (Record $record): array => [
            StockTake::needs($installation, $record, $wanted),
            StockTake::stock($installation, $record, $lengths),
        ];
        $before = [];
        if (StockTake::isBegun($record)) {
            // What was meant before anything was cut: what is cut since moves no more of it than it must.
            $before = $planner->meant(...$from(new Record()));
        }

        return $planner->plan(...[...$from($record), $before]);
    }
}
