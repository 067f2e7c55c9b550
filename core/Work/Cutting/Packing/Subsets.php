<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * The best allotment of few lots: every set of lots off every piece of stock, by dynamic programming over sets
 * (R. Bellman, "Dynamic programming treatment of the travelling salesman problem", Journal of the ACM 9, 1962, whose
 * states are such sets). Exact.
 */
final class Subsets
{
    /** Layouts of a set on one piece of stock that are worth looking at, some tenths of a second. */
    private const WORK = 250_000;

    public static function serves(Stocked $stocked): bool
    {
        $lots = count($stocked->lots);

        return $lots <= 11 && 3 ** $lots * (count($stocked->shelf) + 1) <= self::WORK;
    }

    public static function best(Stocked $stocked): Allotment
    {
        $sums = self::sums($stocked->lots);
        $all = count($sums) - 1;
        [$bought, $choice] = self::bought($stocked, $sums);
        // From the last piece of stock to the first: what is left for it and those after it, and the best of that.
        $cost = $bought;
        $taken = [];
        foreach (array_reverse(array_keys($stocked->shelf)) as $stock) {
            [$cost, $taken[$stock]] = self::with($stocked, $stock, $sums, $cost);
        }
        $left = $all;
        $shelf = [];
        foreach (array_keys($stocked->shelf) as $stock) {
            $here = $taken[$stock][$left];
            $shelf[] = self::lots($here);
            $left &= ~$here;
        }
        [$reels, $unmet] = [[], []];
        for (; $left > 0; $left &= ~$here) {
            $here = $choice[$left];
            if ($here > 0) {
                $reels[] = self::lots($here);
            } else {
                $here = $left & -$left;
                array_push($unmet, ...self::lots($here));
            }
        }

        return new Allotment($shelf, $reels, $unmet);
    }

    /**
     * Off one more piece of stock: the best for each set that is left for it.
     *
     * @param  list<int>  $sums
     * @param  array<int, Cost>  $after  set → the best without it
     * @return array{array<int, Cost>, array<int, int>} set → cost, set → what this piece gives
     */
    private static function with(Stocked $stocked, int $stock, array $sums, array $after): array
    {
        $here = [];
        foreach ($sums as $set => $sum) {
            if ($sum <= $stocked->shelf[$stock]) {
                $here[$set] = Cost::onShelf($stocked, $stock, $sum);
            }
        }
        [$cost, $taken] = [[], []];
        foreach (array_keys($sums) as $set) {
            [$best, $chosen] = [$after[$set], 0];
            for ($of = $set; $of > 0; $of = ($of - 1) & $set) {
                if (! isset($here[$of]) || $after[$set & ~$of]->unmet > $best->unmet) {
                    continue;
                }
                $with = $here[$of]->plus($after[$set & ~$of]);
                if ($with->compare($best) < 0) {
                    [$best, $chosen] = [$with, $of];
                }
            }
            [$cost[$set], $taken[$set]] = [$best, $chosen];
        }

        return [$cost, $taken];
    }

    /**
     * What is bought for each set: the reel of its first lot is settled, then the rest. 0 where that lot is on none.
     *
     * @param  list<int>  $sums
     * @return array{array<int, Cost>, array<int, int>}
     */
    private static function bought(Stocked $stocked, array $sums): array
    {
        [$cost, $choice] = [[0 => Cost::nothing()], []];
        $reel = array_map(static fn (int $sum): ?Cost => Cost::onNew($stocked, $sum), $sums);
        for ($set = 1; $set < count($sums); $set++) {
            $first = $set & -$set;
            $rest = $set & ~$first;
            [$best, $chosen] = [Cost::unmet(1)->plus($cost[$rest]), 0];
            for ($with = $rest; ; $with = ($with - 1) & $rest) {
                $on = $reel[$with | $first];
                if ($on !== null && ($total = $on->plus($cost[$rest & ~$with]))->compare($best) < 0) {
                    [$best, $chosen] = [$total, $with | $first];
                }
                if ($with === 0) {
                    break;
                }
            }
            [$cost[$set], $choice[$set]] = [$best, $chosen];
        }

        return [$cost, $choice];
    }

    /**
     * @param  list<int>  $lots
     * @return list<int> set → what its lots take together
     */
    private static function sums(array $lots): array
    {
        $sums = [0];
        foreach ($lots as $i => $lot) {
            for ($set = 0; $set < 1 << $i; $set++) {
                $sums[] = $sums[$set] + $lot;
            }
        }

        return $sums;
    }

    /** @return list<int> */
    private static function lots(int $set): array
    {
        $lots = [];
        for ($lot = 0; $set >> $lot > 0; $lot++) {
            if ((($set >> $lot) & 1) === 1) {
                $lots[] = $lot;
            }
        }

        return $lots;
    }
}
