<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\HouseRules;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Length;

/**
 * Assigns every cut to a piece of stock: whole, what is on the shelf before
 * what must be bought, short pieces before long ones, so that as little as
 * possible is left in pieces too short to keep.
 */
final readonly class CutPlanner
{
    /** A reel is reckoned in at most so many units; cuts are rounded up to them, never down. */
    private const UNITS = 12_000;

    public function __construct(private Installation $installation)
    {
    }

    /**
     * @param  list<CutNeeded>  $needs
     * @param  list<Stock>  $stock
     */
    public function plan(array $needs, array $stock): CutPlan
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
            $type = $this->installation->catalogue->cable($cable);
            $plans[$cable] = $this->cable((string) $cable, $type, $of, $stockOf[$cable] ?? []);
        }

        return new CutPlan($plans);
    }

    /**
     * @param  list<CutNeeded>  $needs
     * @param  list<Stock>  $stock
     */
    private function cable(string $cable, ?CableType $type, array $needs, array $stock): CablePlan
    {
        $name = $type->name ?? $cable;
        $sold = $type->reels ?? [];
        usort($sold, static fn (Length $a, Length $b): int => $a->compare($b));
        $longest = Length::zero();
        foreach ([...$sold, ...array_map(static fn (Stock $each): Length => $each->left, $stock)] as $length) {
            $longest = $length->compare($longest) > 0 ? $length : $longest;
        }
        [$lots, $findings] = $this->lots($name, $needs, $longest);
        [$lots, $unmet, $tooLong] = $this->possible($name, $lots, $longest);
        $bought = $sold === [] ? null : $sold[count($sold) - 1];
        $unit = $this->unit($longest);
        [$assigned, $untouched, $left] = $this->fromStock($lots, $stock, $unit);
        $buys = $bought === null ? [] : $this->buys($left, $bought, $unit);
        if ($bought === null && $left !== []) {
            $runs = array_merge(...array_map(static fn (Lot $lot): array => $lot->needs, $left));
            array_push($unmet, ...$runs);
            $findings[] = Finding::check(
                'cut.not-in-stock',
                Subject::cable($cable),
                sprintf(
                    '%d cuts of %s find no stock, and nobody said in what lengths it is sold.',
                    count($runs),
                    $name,
                ),
                'Enter a reel, or say in the catalogue which reels it comes in.',
            );
        }
        foreach ($buys as $n => $buy) {
            $assigned[] = $this->assign($this->toBuy($cable, $n + 1, $buy, $sold), $buy);
        }
        [$scrap, $kept] = $this->leftovers($assigned);

        return new CablePlan(
            $cable,
            $assigned,
            $untouched,
            $unmet,
            count($buys),
            $bought === null ? 0 : $this->atLeast($lots, $stock, $bought, $unit),
            $bought,
            $scrap,
            $kept,
            [...$findings, ...$tooLong, ...$this->shortReels($cable, $name, $stock, $needs)],
        );
    }

    /** Lengths as whole units that are never longer than they are: see UNITS. */
    private function unit(Length $longest): int
    {
        return max($this->installation->rules()->cutStep->nanometres, intdiv($longest->nanometres, self::UNITS) + 1);
    }

    /**
     * Cuts, and groups of cuts that come off one reel.
     *
     * @param  list<CutNeeded>  $needs
     * @return array{list<Lot>, list<Finding>}
     */
    private function lots(string $name, array $needs, Length $longest): array
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
            if (count($of) > 1 && $lot->length()->compare($longest) > 0) {
                $findings[] = Finding::check(
                    'cut.group',
                    Subject::loom($of[0]->group),
                    sprintf(
                        '%d cuts of %s in one loom are to come off one reel: %s together, and the longest reel has %s.',
                        count($of),
                        $name,
                        $lot->length()->canonical(),
                        $longest->canonical(),
                    ),
                    'They are taken off several reels. Order a longer one if they must match.',
                );
                array_push($lots, ...array_map(static fn (CutNeeded $need): Lot => new Lot([$need]), $of));
            } else {
                $lots[] = $lot;
            }
        }

        return [$lots, $findings];
    }

    /**
     * @param  list<Lot>  $lots
     * @return array{list<Lot>, list<CutNeeded>, list<Finding>}
     */
    private function possible(string $name, array $lots, Length $longest): array
    {
        [$fit, $unmet, $findings] = [[], [], []];
        foreach ($lots as $lot) {
            if ($longest->isZero() || $lot->length()->compare($longest) <= 0) {
                $fit[] = $lot;

                continue;
            }
            foreach ($lot->needs as $need) {
                $unmet[] = $need;
                $code = $this->installation->theRun($need->run)->code;
                $findings[] = Finding::stop(
                    'cut.too-long',
                    Subject::run($need->run),
                    sprintf(
                        '%s needs %s of %s in one piece; the longest reel has %s. Cables are not joined.',
                        $code,
                        $need->length->canonical(),
                        $name,
                        $longest->canonical(),
                    ),
                    'Order a reel of that length, or find it a shorter way.',
                );
            }
        }

        return [$fit, $unmet, $findings];
    }

    /**
     * @param  list<Lot>  $lots
     * @param  list<Stock>  $stock
     * @return array{list<Assigned>, list<Stock>, list<Lot>} assigned, untouched stock, lots left
     */
    private function fromStock(array $lots, array $stock, int $unit): array
    {
        $order = array_flip(array_map(static fn (StockKind $kind): string => $kind->value, StockKind::cases()));
        usort(
            $stock,
            static fn (Stock $a, Stock $b): int => $order[$a->kind->value] <=> $order[$b->kind->value] ?:
            $a->left->compare($b->left) ?:
            $a->id <=> $b->id,
        );
        [$assigned, $untouched] = [[], []];
        foreach ($stock as $each) {
            $sizes = array_map(static fn (Lot $lot): int => $lot->units($unit), $lots);
            $taken = Fill::best($sizes, intdiv($each->left->nanometres, $unit), $this->leftover($unit));
            if ($taken === []) {
                $untouched[] = $each;

                continue;
            }
            $assigned[] = $this->assign($each, array_map(static fn (int $i): Lot => $lots[$i], $taken));
            $lots = array_values(array_diff_key($lots, array_flip($taken)));
        }

        return [$assigned, $untouched, $lots];
    }

    /**
     * @param  list<Lot>  $lots
     * @return list<list<Lot>> by reel
     */
    private function buys(array $lots, Length $reel, int $unit): array
    {
        if ($lots === []) {
            return [];
        }
        $sizes = array_map(static fn (Lot $lot): int => $lot->units($unit), $lots);

        return array_map(
            static fn (array $bin): array => array_map(static fn (int $i): Lot => $lots[$i], $bin),
            Bins::pack($sizes, intdiv($reel->nanometres, $unit), $this->leftover($unit)),
        );
    }

    private function leftover(int $unit): Leftover
    {
        return new Leftover(intdiv($this->installation->rules()->usable->nanometres, $unit));
    }

    /**
     * The shortest reel on sale that holds these.
     *
     * @param  list<Lot>  $lots
     * @param  list<Length>  $sold  shortest first
     */
    private function toBuy(string $cable, int $number, array $lots, array $sold): Stock
    {
        $need = Length::zero()->plus(...array_map(static fn (Lot $lot): Length => $lot->length(), $lots));
        $enough = array_values(array_filter($sold, static fn (Length $length): bool => $length->compare($need) >= 0));
        $reel = $enough[0] ?? $need;

        return new Stock(
            'buy:'.$cable.'/'.$number,
            sprintf('new reel %d', $number),
            $cable,
            $reel,
            StockKind::ToBuy,
            null,
            Length::zero(),
        );
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
            if ($this->isUsable($each->rest(), $this->installation->rules())) {
                $kept = $kept->plus($each->rest());
            } else {
                $scrap = $scrap->plus($each->rest());
            }
        }

        return [$scrap, $kept];
    }

    private function isUsable(Length $rest, HouseRules $rules): bool
    {
        return $rest->compare($rules->usable) >= 0;
    }

    /**
     * @param  list<Lot>  $lots
     * @param  list<Stock>  $stock
     */
    private function atLeast(array $lots, array $stock, Length $reel, int $unit): int
    {
        $capacity = intdiv($reel->nanometres, $unit);
        $longest = 0;
        $onShelf = 0;
        foreach ($stock as $each) {
            $longest = max($longest, intdiv($each->left->nanometres, $unit));
            $onShelf += intdiv($each->left->nanometres, $unit);
        }
        $sizes = array_map(static fn (Lot $lot): int => $lot->units($unit), $lots);
        $tooLong = array_values(array_filter($sizes, static fn (int $size): bool => $size > $longest));

        return max(
            0,
            (int) ceil((array_sum($sizes) - $onShelf) / $capacity),
            FewestReels::bins($stock === [] ? $sizes : $tooLong, $capacity),
        );
    }

    /**
     * A reel from which nothing that is needed can be cut.
     *
     * @param  list<Stock>  $stock
     * @param  list<CutNeeded>  $needs
     * @return list<Finding>
     */
    private function shortReels(string $cable, string $name, array $stock, array $needs): array
    {
        $findings = [];
        $lengths = array_map(static fn (CutNeeded $need): Length => $need->length, $needs);
        usort($lengths, static fn (Length $a, Length $b): int => $a->compare($b));
        $shortest = $lengths[0] ?? Length::zero();
        foreach ($stock as $each) {
            if ($each->kind === StockKind::Reel && $each->left->compare($shortest) < 0) {
                $findings[] = Finding::note(
                    'cut.reel-too-short',
                    Subject::reel($each->id),
                    sprintf(
                        '%s has %s of %s left, and the shortest cut is %s.',
                        $each->name,
                        $each->left->canonical(),
                        $name,
                        $shortest->canonical(),
                    ),
                    'Nothing comes off it. Measure it again, or take it off the shelf.',
                );
            }
        }

        return $findings;
    }
}
