<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\Packing\AllotmentStore;
use Sartal\Core\Work\Cutting\Packing\MemoryAllotments;

/** How what is still to be cut comes off the stock. Apart from the plan, because only those who cut and buy ask. */
final class Cuts
{
    /**
     * @param  Record  $record  of which cuts matter, what was done on which, and what was taken back
     * @param  ?list<string>  $runs  ids, where an order is for these alone
     */
    public static function plan(
        CutFacts $facts,
        Record $record,
        ?array $runs = null,
        AllotmentStore $known = new MemoryAllotments(),
    ): CutPlan {
        $planner = new CutPlanner($facts, $known);
        $from = static fn (Record $record): array => [
            StockTake::needs($facts, $record, $runs),
            StockTake::stock($facts, $record),
        ];
        $before = [];
        if (StockTake::isBegun($record)) {
            // What was meant before anything was cut: what is cut since moves no more of it than it must.
            $before = $planner->meant(...$from(new Record()));
        }

        return $planner->plan(...[...$from($record), $before]);
    }
}
