<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

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
    private const PATIENCE = 600;

    /** In all: small gains may go on for ever. */
    private const ROUNDS = 2500;

    /** Bins repacked with the emptiest. */
    private const AMONG = [3, 4, 5, 7];

    /**
     * @param  array<int, int>  $sizes  in units, none above the bin's
     * @param  Leftover  $leftover  what a rest costs
     * @return list<list<int>> keys of the items in each bin
     */
    public static function pack(array $sizes, int $capacity, Leftover $leftover): array
    {
        $packed = [];
        foreach ([Leftover::plain(), $leftover] as $by) {
            $bins = self::improved(self::filled($sizes, $capacity, $by), $sizes, $capacity, $by);
            $packed[] = [
                count($bins),
                array_sum(
                    array_map(
                        static fn (array $bin): float => $leftover->cost($capacity - self::sum($bin, $sizes)),
                        $bins,
                    ),
                ),
                $bins,
            ];
        }
        usort($packed, static fn (array $a, array $b): int => [$a[0], $a[1]] <=> [$b[0], $b[1]]);

        return $packed[0][2];
    }

    /**
     * @param  array<int, int>  $sizes
     * @return list<list<int>>
     */
    private static function filled(array $sizes, int $capacity, Leftover $leftover, ?Chance $chance = null): array
    {
        arsort($sizes);
        $bins = [];
        while ($sizes !== []) {
            $keys = array_keys($sizes);
            // Round the largest; or, to get out of a dead end, round any.
            $first = array_splice($keys, $chance?->below(count($keys)) ?? 0, 1)[0];
            $rest = array_map(static fn (int $key): int => $sizes[$key], $keys);
            $bin = [$first];
            foreach (Fill::best($rest, $capacity - $sizes[$first], $leftover) as $taken) {
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
     * @return list<list<int>>
     */
    private static function improved(array $bins, array $sizes, int $capacity, Leftover $leftover): array
    {
        $chance = new Chance(count($bins) * 7919 + 1);
        $least = FewestReels::bins(array_values($sizes), $capacity);
        $sums = array_map(static fn (array $bin): int => self::sum($bin, $sizes), $bins);
        for (
            [$tried, $rounds] = [0, 0];
            $tried < self::PATIENCE && $rounds < self::ROUNDS && count($bins) > $least;
            $tried++, $rounds++
        ) {
            assert($sums !== []);
            $picked = self::picked($sums, $chance);
            $loose = [];
            foreach ($picked as $pick) {
                foreach ($bins[$pick] as $key) {
                    $loose[$key] = $sizes[$key];
                }
            }
            $again = self::filled($loose, $capacity, $leftover, $chance);
            $filled = array_map(static fn (array $bin): int => self::sum($bin, $sizes), $again);
            $gain = self::squares($filled) - self::squares(array_intersect_key($sums, array_flip($picked)));
            // What is neither better nor worse is taken as well: it leads out of dead ends.
            if ($gain >= 0) {
                $tried = $gain > 0 ? -1 : $tried;
                $bins = [...array_values(array_diff_key($bins, array_flip($picked))), ...$again];
                $sums = [...array_values(array_diff_key($sums, array_flip($picked))), ...$filled];
            }
        }

        return $bins;
    }

    /**
     * The emptiest bin and a few others, by turns few and many.
     *
     * @param  non-empty-list<int>  $sums
     * @return list<int>
     */
    private static function picked(array $sums, Chance $chance): array
    {
        $picked = [(int) array_search(min($sums), $sums, true)];
        $among = min(count($sums), self::AMONG[$chance->below(count(self::AMONG))]);
        while (count($picked) < $among) {
            $pick = $chance->below(count($sums));
            if (! in_array($pick, $picked, true)) {
                $picked[] = $pick;
            }
        }

        return $picked;
    }

    /**
     * Uneven fills are better: the emptiest bin may then be done without.
     *
     * @param  array<int>  $sums
     */
    private static function squares(array $sums): float
    {
        return array_sum(array_map(static fn (int $sum): float => (float) $sum ** 2, $sums));
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
