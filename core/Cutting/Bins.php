<?php

declare(strict_types=1);

namespace Sartal\Core\Cutting;

/**
 * Packs items into bins of one size, as few as it finds: each bin is filled as
 * well as it can be round the largest item that is left (a minimum bin slack
 * search: K. Fleszar and K. Hindi, Computers & Operations Research 29, 2002,
 * with the fill made exact), then the emptiest bins are broken up and packed
 * anew among others for as long as that helps.
 */
final class Bins
{
    /** Tries to break bins up that gain nothing before it stops. */
    private const PATIENCE = 40;

    /** Bins repacked with the emptiest. */
    private const AMONG = 5;

    /**
     * @param  array<int, int>  $sizes  in units, none above the bin's
     * @param  callable(int): float  $cost  of leaving so many units free in a bin
     * @return list<list<int>> keys of the items in each bin
     */
    public static function pack(array $sizes, int $capacity, callable $cost): array
    {
        $full = static fn (int $free): float => $free;
        $packed = [];
        foreach ([$full, $cost] as $by) {
            $bins = self::improved(self::filled($sizes, $capacity, $by), $sizes, $capacity, $by);
            $packed[] = [count($bins), array_sum(array_map(static fn (array $bin): float => $cost($capacity - self::sum($bin, $sizes)), $bins)), $bins];
        }
        usort($packed, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return $packed[0][2];
    }

    /**
     * @param  array<int, int>  $sizes
     * @param  callable(int): float  $cost
     * @return list<list<int>>
     */
    private static function filled(array $sizes, int $capacity, callable $cost): array
    {
        arsort($sizes);
        $bins = [];
        while ($sizes !== []) {
            $keys = array_keys($sizes);
            $largest = array_shift($keys);
            $rest = array_map(static fn (int $key): int => $sizes[$key], $keys);
            $bin = [$largest];
            foreach (Fill::best($rest, $capacity - $sizes[$largest], $cost) as $taken) {
                $bin[] = $keys[$taken];
            }
            foreach ($bin as $key) {
                unset($sizes[$key]);
            }
            $bins[] = $bin;
        }

        return $bins;
    }

    /**
     * @param  list<list<int>>  $bins
     * @param  array<int, int>  $sizes
     * @param  callable(int): float  $cost
     * @return list<list<int>>
     */
    private static function improved(array $bins, array $sizes, int $capacity, callable $cost): array
    {
        $state = count($bins) * 7919 + 1;
        for ($tried = 0; $tried < self::PATIENCE && count($bins) > Bound::bins(array_values($sizes), $capacity); $tried++) {
            usort($bins, static fn (array $a, array $b): int => self::sum($a, $sizes) <=> self::sum($b, $sizes));
            $picked = [0];
            while (count($picked) < min(self::AMONG, count($bins))) {
                $state = ($state * 1664525 + 1013904223) & 0xFFFFFFFF;
                $pick = $state % count($bins);
                if (! in_array($pick, $picked, true)) {
                    $picked[] = $pick;
                }
            }
            $loose = [];
            foreach ($picked as $pick) {
                foreach ($bins[$pick] as $key) {
                    $loose[$key] = $sizes[$key];
                }
            }
            $again = self::filled($loose, $capacity, $cost);
            if (self::squares($again, $sizes) > self::squares(array_map(static fn (int $pick): array => $bins[$pick], $picked), $sizes)) {
                $tried = count($again) < count($picked) ? -1 : $tried;
                $bins = [...array_values(array_diff_key($bins, array_flip($picked))), ...$again];
            }
        }

        return $bins;
    }

    /**
     * Uneven fills are better: the emptiest bin may then be done without.
     *
     * @param  list<list<int>>  $bins
     * @param  array<int, int>  $sizes
     */
    private static function squares(array $bins, array $sizes): float
    {
        return array_sum(array_map(static fn (array $bin): float => (float) self::sum($bin, $sizes) ** 2, $bins));
    }

    /**
     * @param  list<int>  $bin
     * @param  array<int, int>  $sizes
     */
    private static function sum(array $bin, array $sizes): int
    {
        $sum = 0;
        foreach ($bin as $key) {
            $sum += $sizes[$key];
        }

        return $sum;
    }
}
