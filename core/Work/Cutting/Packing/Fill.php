<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * The best fill of one reel: subset sums by dynamic programming (R. Bellman; as a packing heuristic, A. Caprara and
 * U. Pferschy, "Worst-case analysis of the subset sum algorithm for bin packing", Operations Research Letters 32,
 * 2004), with the sums that can be made as the bits of one large number. Exact for the one reel.
 */
final class Fill
{
    /**
     * Which of the lots fill the reel best.
     *
     * @param  array<int, int>  $sizes  in units, each above nothing; earlier ones are preferred
     * @param  Leftover  $leftover  what a rest costs; the least is taken, then the least free
     * @return list<int> keys of the lots taken
     */
    public static function best(array $sizes, int $capacity, Leftover $leftover): array
    {
        if ($capacity <= 0) {
            return [];
        }
        $reach = gmp_init(1);
        // What could be made before each lot.
        $before = [];
        foreach ($sizes as $lot => $size) {
            if ($size <= $capacity) {
                $before[$lot] = $reach;
                $reach |= $reach << $size;
                if (gmp_testbit($reach, $capacity)) {
                    break;
                }
                $reach = self::upTo($reach, $capacity);
            }
        }

        return self::lots($before, $sizes, self::chosen($reach, $capacity, $leftover));
    }

    /**
     * The fullest; or the fullest that leaves a rest worth keeping, where that costs less. Between those nothing is
     * better.
     */
    private static function chosen(\GMP $reach, int $capacity, Leftover $leftover): int
    {
        $fullest = self::highest($reach, $capacity);
        $kept = $leftover->usable > $capacity ? 0 : self::highest($reach, $capacity - $leftover->usable);

        return $leftover->cost($capacity - $kept) < $leftover->cost($capacity - $fullest) ? $kept : $fullest;
    }

    /**
     * Back through the lots, the last that were needed first.
     *
     * @param  array<int, \GMP>  $before  lot → sums that could be made without it and those after it
     * @param  array<int, int>  $sizes
     * @return list<int>
     */
    private static function lots(array $before, array $sizes, int $sum): array
    {
        $taken = [];
        foreach (array_reverse($before, true) as $lot => $reach) {
            if ($sum > 0 && ! gmp_testbit($reach, $sum)) {
                $taken[] = $lot;
                $sum -= $sizes[$lot];
            }
        }

        return array_reverse($taken);
    }

    /** The largest sum that can be made and is not above a limit. */
    private static function highest(\GMP $reach, int $limit): int
    {
        // Near the limit more often than not.
        for ($sum = $limit; $sum >= 0 && $sum > $limit - 64; $sum--) {
            if (gmp_testbit($reach, $sum)) {
                return $sum;
            }
        }

        $octets = gmp_export(self::upTo($reach, $limit));
        for ($bit = 7; ((ord($octets[0]) >> $bit) & 1) === 0; $bit--) {
        }

        return 8 * (strlen($octets) - 1) + $bit;
    }

    /** Without the sums above a limit. */
    private static function upTo(\GMP $reach, int $limit): \GMP
    {
        return $reach & ((gmp_init(1) << $limit + 1) - 1);
    }
}
