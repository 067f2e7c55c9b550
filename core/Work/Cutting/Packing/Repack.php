<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * An allotment of many lots: each piece of stock and each reel is filled as well as it can be round the largest lot
 * that is left (a minimum bin slack search: K. Fleszar and K. Hindi, Computers & Operations Research 29, 2002, with
 * the fill made exact), then a few are emptied and filled anew for as long as that helps: first to buy fewer, then to
 * waste less (P. Shaw, "Using constraint programming and local search methods to solve vehicle routing problems", CP98,
 * LNCS 1520, 1998, for taking a part of a solution apart).
 */
final class Repack
{
    /** Tries that gain nothing before it stops. */
    private const PATIENCE = 400;

    /** The same where less is to be wasted. */
    private const WASTED = 80;

    /** In all, for each lot and for the whole: small gains may go on for ever. */
    private const ROUNDS = 20;

    private const MOST_ROUNDS = 2500;

    /** So many times as long is looked where hardly anything could be left over: such plans are few among others. */
    private const LONGER = 2;

    /** Units on a reel that make a try twice as long as the rest of it. */
    private const FINE = 100_000;

    /** Reels and pieces that are emptied together. */
    private const AMONG = [3, 4, 5, 7];

    private const AMONG_FOR_WASTE = [2, 2, 3, 4];

    /** Lots that are looked at exactly, try by try. */
    private const COVERED = [24, 36, 48, 60, 60];

    /** @var array<int, int> what is taken of each piece of stock, then of each reel */
    private array $sums;

    private Chance $chance;

    private Leftover $kept;

    private int $shelf;

    /** @param  array<int, list<int>>  $bins  lots by piece of stock, then by reel */
    private function __construct(private readonly Stocked $stocked, private array $bins)
    {
        $this->chance = new Chance(count($stocked->lots) * 7919 + 1);
        $this->kept = new Leftover($stocked->usable);
        $this->shelf = count($stocked->shelf);
        $this->sums = array_map($stocked->sum(...), $bins);
    }

    /**
     * @param  int  $atLeast  reels; where so few are reached, it is not tried to buy fewer
     * @param  ?Allotment  $from  what to begin with
     */
    public static function best(Stocked $stocked, int $atLeast, ?Allotment $from = null): Allotment
    {
        $best = null;
        $starts = $from === null ? [Leftover::plain(), new Leftover($stocked->usable)] : [null];
        foreach ($starts as $by) {
            $repack = new self($stocked, $from === null ? [] : [...$from->shelf, ...$from->bought]);
            $unmet = $from === null && $by !== null
                ? $repack->fill(array_keys($stocked->lots), array_keys($stocked->shelf), $by, false)
                : ($from->unmet ?? []);
            if ($unmet === []) {
                $isSmall = count($stocked->lots) <= max(self::COVERED);
                $repack->cover($atLeast, $isSmall ? [max(self::COVERED)] : []);
                $repack->buyFewer($atLeast);
                $repack->cover($atLeast, $isSmall ? [] : self::COVERED);
            }
            $repack->wasteLess();
            $allotment = $repack->allotment($unmet);
            $cost = $allotment->cost($stocked);
            if ($best === null || $cost->compare($best->cost($stocked)) < 0) {
                $best = $allotment;
            }
            if ($cost->unmet === 0 && $cost->scrap === 0 && $cost->bought <= $atLeast) {
                break;
            }
        }

        return $best;
    }

    /** @param  list<int>  $unmet */
    private function allotment(array $unmet): Allotment
    {
        return new Allotment(
            array_slice($this->bins, 0, $this->shelf),
            array_values(array_filter(array_slice($this->bins, $this->shelf))),
            $unmet,
        );
    }

    /**
     * Lays lots on the given pieces of stock, then on new reels behind those that are there.
     *
     * @param  list<int>  $lots
     * @param  list<int>  $stock
     * @return list<int> lots that nothing holds
     */
    private function fill(array $lots, array $stock, Leftover $by, bool $shuffled): array
    {
        $loose = [];
        foreach ($lots as $lot) {
            $loose[$lot] = $this->stocked->lots[$lot];
        }
        arsort($loose);
        foreach ($stock as $each) {
            [$this->bins[$each], $this->sums[$each]] = $this->one($loose, $this->stocked->shelf[$each], $by, null);
        }
        if ($this->stocked->reel === 0) {
            return array_keys($loose);
        }
        $unmet = [];
        while ($loose !== []) {
            $keys = array_keys($loose);
            // Round the largest; or, to get out of a dead end, round any.
            $first = $shuffled ? $keys[$this->chance->below(count($keys))] : $keys[0];
            if ($loose[$first] > $this->stocked->reel) {
                $unmet[] = $first;
                unset($loose[$first]);

                continue;
            }
            [$this->bins[], $this->sums[]] = $this->one($loose, $this->stocked->reel, $by, $first);
        }

        return $unmet;
    }

    /**
     * @param  array<int, int>  $loose
     * @return array{list<int>, int} lots, and what they take together
     */
    private function one(array &$loose, int $capacity, Leftover $by, ?int $first): array
    {
        // What is too long for any reel on sale comes off the shelf before all else.
        $first ??= $this->onShelfOnly($loose, $capacity);
        $bin = $first === null ? [] : [$first];
        $sum = $first === null ? 0 : $loose[$first];
        if ($first !== null) {
            unset($loose[$first]);
        }
        foreach (Fill::best($loose, $capacity - $sum, $by) as $lot) {
            $bin[] = $lot;
            $sum += $loose[$lot];
            unset($loose[$lot]);
        }

        return [$bin, $sum];
    }

    /** @param  array<int, int>  $loose  longest first */
    private function onShelfOnly(array $loose, int $capacity): ?int
    {
        foreach ($loose as $lot => $length) {
            if ($length <= $this->stocked->reel) {
                return null;
            }
            if ($length <= $capacity) {
                return $lot;
            }
        }

        return null;
    }

    private function buyFewer(int $atLeast): void
    {
        $longer = $this->isClose($atLeast) ? self::LONGER : 1;
        $rounds = min(self::MOST_ROUNDS, self::ROUNDS * count($this->stocked->lots));
        for (
            [$tried, $left] = [0, $longer * $this->rounds($rounds)];
            $tried < $longer * self::PATIENCE && $left > 0 && $this->bought() > $atLeast;
            $tried++, $left--
        ) {
            $emptiest = $this->shelf;
            for ($bin = $this->shelf; $bin < count($this->bins); $bin++) {
                $emptiest = $this->sums[$bin] < $this->sums[$emptiest] ? $bin : $emptiest;
            }
            $picked = $this->picked(self::AMONG, [$emptiest]);
            $before = [$this->bins, $this->sums];
            $is = count($this->bins);
            $squares = $this->squares();
            $unmet = $this->again($picked, Leftover::plain(), true);
            // Uneven fills are better: the emptiest may then be done without. What is neither better nor worse is taken
            // as well: it leads out of dead ends.
            $gain = $unmet !== [] ? -1 : ($is <=> count($this->bins) ?: $this->squares() <=> $squares);
            if ($gain < 0) {
                [$this->bins, $this->sums] = $before;
            } elseif ($gain > 0) {
                $tried = -1;
            }
        }
    }

    /**
     * One reel fewer, by an exact search among the emptiest and others.
     *
     * @param  list<int>  $tries  how many lots
     */
    private function cover(int $atLeast, array $tries): void
    {
        foreach ($tries as $most) {
            if ($this->bought() <= $atLeast) {
                return;
            }
            $order = [];
            foreach (array_slice($this->sums, $this->shelf, null, true) as $bin => $sum) {
                $free = $this->stocked->reel - $sum;
                $order[$bin] = $free > 0 ? -$free : $this->chance->below(1 << 20);
            }
            asort($order);
            $lots = $picked = [];
            foreach (array_keys($order) as $bin) {
                if (count($picked) > 2 && count($lots) + count($this->bins[$bin]) > $most) {
                    break;
                }
                $picked[] = $bin;
                array_push($lots, ...$this->bins[$bin]);
            }
            sort($lots);
            $sizes = array_map(fn (int $lot): int => $this->stocked->lots[$lot], $lots);
            $reels = FullReels::pack($sizes, $this->stocked->reel, count($picked) - 1);
            if ($reels === false) {
                // With more of them there would be more choices still.
                return;
            }
            if ($reels === null) {
                continue;
            }
            $this->without($picked);
            foreach ($reels as $reel) {
                $of = array_map(static fn (int $key): int => $lots[$key], $reel);
                [$this->bins[], $this->sums[]] = [$of, $this->stocked->sum($of)];
            }
        }
    }

    /** Whether so few reels would be as good as full. */
    private function isClose(int $atLeast): bool
    {
        $room = array_sum($this->stocked->shelf) + $atLeast * $this->stocked->reel;

        return ($room - array_sum($this->sums)) * FullReels::CLOSE < $this->stocked->reel;
    }

    private function bought(): int
    {
        return count($this->bins) - $this->shelf;
    }

    /** How often is tried: less where every try takes longer. */
    private function rounds(int $usual): int
    {
        return intdiv($usual * self::FINE, self::FINE + $this->stocked->reel);
    }

    private function wasteLess(): void
    {
        $lots = max(1, count($this->stocked->lots));
        $rounds = $this->rounds(min(self::PATIENCE, intdiv(40_000, $lots)));
        $waste = $this->cost(array_keys($this->bins))->scrap;
        for ([$round, $tried] = [0, 0]; $round < $rounds && $tried < self::WASTED && $waste > 0; $round++, $tried++) {
            $picked = $this->picked(self::AMONG_FOR_WASTE, [$this->chance->below(count($this->bins))]);
            $before = [$this->bins, $this->sums];
            $was = $this->cost($picked);
            $is = count($this->bins) - count($picked);
            $unmet = $this->again($picked, $this->kept, $round % 2 === 1);
            $stays = array_values(array_filter($picked, fn (int $bin): bool => $bin < $this->shelf));
            $kept = $is - ($this->shelf - count($stays)) + $this->shelf;
            $now = $this->cost([...$stays, ...array_keys(array_slice($this->bins, $kept, null, true))]);
            if ($unmet !== [] || $now->compare($was) > 0) {
                [$this->bins, $this->sums] = $before;
            } elseif ($now->scrap < $was->scrap) {
                [$waste, $tried] = [$waste + $now->scrap - $was->scrap, -1];
            }
        }
    }

    /**
     * Empties some and fills them anew; what is bought comes behind the rest.
     *
     * @param  list<int>  $picked
     * @return list<int> lots that nothing holds
     */
    private function again(array $picked, Leftover $by, bool $shuffled): array
    {
        $loose = array_merge(...array_map(fn (int $bin): array => $this->bins[$bin], $picked));
        $stock = array_values(array_filter($picked, fn (int $bin): bool => $bin < $this->shelf));
        $this->without(array_filter($picked, fn (int $bin): bool => $bin >= $this->shelf));
        sort($stock);

        return $this->fill($loose, $stock, $by, $shuffled);
    }

    /** @param  array<int>  $reels */
    private function without(array $reels): void
    {
        foreach ($reels as $bin) {
            unset($this->bins[$bin], $this->sums[$bin]);
        }
        [$this->bins, $this->sums] = [array_values($this->bins), array_values($this->sums)];
    }

    /**
     * Those given and a few others, by turns few and many.
     *
     * @param  non-empty-list<int>  $among
     * @param  list<int>  $picked
     * @return list<int>
     */
    private function picked(array $among, array $picked): array
    {
        $many = min(count($this->bins), $among[$this->chance->below(count($among))]);
        while (count($picked) < $many) {
            $pick = $this->chance->below(count($this->bins));
            if (! in_array($pick, $picked, true)) {
                $picked[] = $pick;
            }
        }

        return $picked;
    }

    /** @param  list<int>  $of */
    private function cost(array $of): Cost
    {
        $cost = Cost::nothing();
        foreach ($of as $bin) {
            $cost = $cost->plus(
                $bin < $this->shelf
                    ? Cost::onShelf($this->stocked, $bin, $this->sums[$bin])
                    : Cost::onNew($this->stocked, $this->sums[$bin]) ?? Cost::unmet(count($this->bins[$bin])),
            );
        }

        return $cost;
    }

    private function squares(): float
    {
        return array_sum(array_map(static fn (int $sum): float => (float) $sum ** 2, $this->sums));
    }
}
