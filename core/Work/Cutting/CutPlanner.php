<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Work\Cutting\Packing\AllotmentStore;
use Sartal\Core\Work\Cutting\Packing\BestAllotment;
use Sartal\Core\Work\Cutting\Packing\MemoryAllotments;
use Sartal\Core\Work\Cutting\Packing\Stocked;

/**
 * Assigns every cut to a piece of stock, whole: as few reels are bought as can be, of them the shortest, then as little
 * as possible is left in pieces too short to keep, then what is on the shelf is used up before what is longer.
 */
final readonly class CutPlanner
{
    public function __construct(
        private CutFacts $facts,
        private AllotmentStore $known = new MemoryAllotments(),
    ) {
    }

    /**
     * @param  list<CutNeeded>  $needs
     * @param  list<Stock>  $stock
     * @param  array<int|string, string>  $before  run → stock that it was to come off: where as few reels do, it stays
     */
    public function plan(array $needs, array $stock, array $before = []): CutPlan
    {
        [$byCable, $stockOf] = [[], []];
        foreach ($needs as $need) {
            $byCable[$need->cable][] = $need;
        }
        foreach ($stock as $each) {
            $stockOf[$each->cable][] = $each;
            $byCable[$each->cable] ??= [];
        }
        $plans = [];
        foreach ($byCable as $cable => $of) {
            $plans[$cable] = $this->cable((string) $cable, $of, $stockOf[$cable] ?? [], $before);
        }

        return new CutPlan($plans);
    }

    /**
     * What was meant to come off the stock that there is. Of what is yet to be bought nothing is meant.
     *
     * @param  list<CutNeeded>  $needs
     * @param  list<Stock>  $stock
     * @return array<int|string, string> run → stock
     */
    public function meant(array $needs, array $stock): array
    {
        $cables = array_flip(array_map(static fn (Stock $each): string => $each->cable, $stock));
        $of = array_values(array_filter($needs, static fn (CutNeeded $each): bool => isset($cables[$each->cable])));

        return array_map(static fn (array $on): string => $on[0]->id, $this->plan($of, $stock)->byRun());
    }

    /**
     * @param  list<CutNeeded>  $needs
     * @param  list<Stock>  $stock
     * @param  array<int|string, string>  $before
     */
    private function cable(string $cable, array $needs, array $stock, array $before): CablePlan
    {
        $sold = $this->facts->cables[$cable]->reels ?? [];
        $shelf = new Shelf($stock, $sold, $this->facts->margin);
        $say = new CutFindings($this->facts, $cable, $shelf);
        [$lots, $findings] = $this->lots($needs, $shelf, $say);
        $best = $this->best($lots, $shelf, $before);
        $apart = [];
        foreach ($best->allotment->unmet as $lot) {
            if (count($lots[$lot]->needs) > 1) {
                $apart[$lot] = $lots[$lot];
                $findings[] = $say->group($lots[$lot]);
            }
        }
        if ($apart !== []) {
            // Nothing is left that holds them together.
            $lots = Lot::longestFirst([
                ...array_values(array_diff_key($lots, $apart)),
                ...array_merge(...array_map(static fn (Lot $lot): array => $lot->singles(), array_values($apart))),
            ]);
            $best = $this->best($lots, $shelf, $before);
        }
        $unmet = array_merge(
            ...array_map(static fn (Lot $lot): array => $lot->needs, Lot::among($lots, $best->allotment->unmet)),
        );
        [$assigned, $untouched] = [[], []];
        foreach ($shelf->stock as $i => $each) {
            if ($best->allotment->shelf[$i] === []) {
                $untouched[] = $each;
            } else {
                $assigned[] = $this->assign($each, Lot::among($lots, $best->allotment->shelf[$i]));
            }
        }
        foreach ($best->allotment->bought as $n => $reel) {
            $of = Lot::among($lots, $reel);
            $assigned[] = $this->assign($shelf->toBuy($cable, $n + 1, $of), $of);
        }
        [$scrap, $kept] = $this->leftovers($assigned);

        return new CablePlan(
            $cable,
            $assigned,
            $untouched,
            $unmet,
            count($best->allotment->bought),
            $best->atLeast,
            $shelf->sold === [] ? null : $shelf->sold[count($shelf->sold) - 1],
            $scrap,
            $kept,
            [...$findings, ...$say->unmet($unmet), ...$say->full($assigned), ...$say->short($needs)],
        );
    }

    /**
     * Cuts, and groups of cuts that come off one reel, longest first.
     *
     * @param  list<CutNeeded>  $needs
     * @return array{list<Lot>, list<Finding>}
     */
    private function lots(array $needs, Shelf $shelf, CutFindings $say): array
    {
        usort(
            $needs,
            static fn (CutNeeded $a, CutNeeded $b): int => $b->length->compare($a->length) ?: $a->run <=> $b->run,
        );
        $groups = [];
        foreach ($needs as $need) {
            $groups[$need->group === '' ? 'run:'.$need->run : 'group:'.$need->group][] = $need;
        }
        $lots = $findings = [];
        foreach ($groups as $of) {
            $lot = new Lot($of);
            if (count($of) > 1 && $lot->length()->compare($shelf->longest()) > 0) {
                $findings[] = $say->group($lot);
                array_push($lots, ...$lot->singles());
            } else {
                $lots[] = $lot;
            }
        }

        return [Lot::longestFirst($lots), $findings];
    }

    /**
     * @param  list<Lot>  $lots
     * @param  array<int|string, string>  $before
     */
    private function best(array $lots, Shelf $shelf, array $before): BestAllotment
    {
        $usable = $this->facts->usable;
        $stocked = $shelf->with($lots, $usable);
        $key = self::key($stocked, self::meantFor($lots, $shelf, $before));
        $best = $this->known->allotment($key);
        if ($best === null) {
            $best =
                $before === []
                    ? BestAllotment::of($stocked)
                    : Unmoved::allotment($lots, $shelf, $before, $usable);
            $this->known->keep($key, $best);
        }

        return $best;
    }

    /**
     * @param  list<Lot>  $lots
     * @param  array<int|string, string>  $before
     * @return list<?int> which of the stock each lot was to come off
     */
    private static function meantFor(array $lots, Shelf $shelf, array $before): array
    {
        $at = array_flip(array_map(static fn (Stock $each): string => $each->id, $shelf->stock));

        return array_map(static fn (Lot $lot): ?int => $at[$before[$lot->needs[0]->run] ?? ''] ?? null, $lots);
    }

    /**
     * Of all that an allotment is searched for.
     *
     * @param  list<?int>  $meant
     */
    private static function key(Stocked $of, array $meant): string
    {
        return hash('xxh128', serialize([$of->lots, $of->shelf, $of->ranks, $of->sold, $of->usable, $meant]));
    }

    /** @param  list<Lot>  $lots */
    private function assign(Stock $stock, array $lots): Assigned
    {
        $at = Length::zero();
        $cuts = [];
        foreach ($lots as $lot) {
            foreach ($lot->needs as $need) {
                $end = $at->plus($need->length);
                $cuts[] = new Cut($need->run, $need->length, $at, $stock->marks?->at($at), $stock->marks?->at($end));
                $at = $end;
            }
        }

        return new Assigned($stock, $cuts);
    }

    /**
     * @param  list<Assigned>  $assigned
     * @return array{Length, Length} scrap, kept
     */
    private function leftovers(array $assigned): array
    {
        [$scrap, $kept] = [Length::zero(), Length::zero()];
        foreach ($assigned as $each) {
            if ($each->rest()->compare($this->facts->usable) >= 0) {
                $kept = $kept->plus($each->rest());
            } else {
                $scrap = $scrap->plus($each->rest());
            }
        }

        return [$scrap, $kept];
    }
}
