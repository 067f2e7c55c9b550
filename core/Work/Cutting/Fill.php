<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

/**
 * The best fill of one bin: subset sums by dynamic programming over bits
 * (R. Bellman; as a packing heuristic, A. Caprara and U. Pferschy, "Worst-case
 * analysis of the subset sum algorithm for bin packing", Operations Research
 * Letters 32, 2004). Exact for the one bin.
 */
final class Fill
{
    private const BITS = 62;

    /**
     * Which of the items fill the bin best.
     *
     * @param  list<int>  $sizes  in units, each above nothing, larger first: earlier ones are preferred
     * @param  Leftover  $leftover  what a rest costs; the least is taken, then the least free
     * @return list<int> keys of the items taken
     */
    public static function best(array $sizes, int $capacity, Leftover $leftover): array
    {
        if ($capacity <= 0) {
            return [];
        }
        $words = intdiv($capacity, self::BITS) + 1;
        $reach = array_fill(0, $words, 0);
        $reach[0] = 1;
        // What could be made before each item: copies are shared until they change.
        $before = [];
        foreach ($sizes as $item => $size) {
            if ($size <= $capacity) {
                $before[$item] = $reach;
                $reach = self::with($reach, $size, $words);
                if (self::holds($reach, $capacity)) {
                    break;
                }
            }
        }

        return self::items($before, $sizes, self::chosen($reach, $capacity, $leftover));
    }

    /**
     * The fullest; or the fullest that leaves a rest worth keeping, where that costs less. Between those nothing is
     * better.
     *
     * @param  array<int, int>  $reach
     */
    private static function chosen(array $reach, int $capacity, Leftover $leftover): int
    {
        $fullest = self::highest($reach, $capacity);
        $kept = $leftover->usable > $capacity ? 0 : self::highest($reach, $capacity - $leftover->usable);

        return $leftover->cost($capacity - $kept) < $leftover->cost($capacity - $fullest) ? $kept : $fullest;
    }

    /**
     * Back through the items, the last that were needed first.
     *
     * @param  array<int, array<int, int>>  $before  item → sums that could be made without it and those after it
     * @param  list<int>  $sizes
     * @return list<int>
     */
    private static function items(array $before, array $sizes, int $sum): array
    {
        $taken = [];
        foreach (array_reverse($before, true) as $item => $reach) {
            if ($sum > 0 && ! self::holds($reach, $sum)) {
                $taken[] = $item;
                $sum -= $sizes[$item];
            }
        }

        return array_reverse($taken);
    }

    /** @param  array<int, int>  $reach */
    private static function holds(array $reach, int $sum): bool
    {
        return (($reach[intdiv($sum, self::BITS)] >> $sum % self::BITS) & 1) === 1;
    }

    /**
     * The largest sum that can be made and is not above a limit.
     *
     * @param  array<int, int>  $reach
     */
    private static function highest(array $reach, int $limit): int
    {
        $word = intdiv($limit, self::BITS);
        $bits = $reach[$word] & ((2 << $limit % self::BITS) - 1);
        while ($bits === 0) {
            $bits = $reach[--$word];
        }
        for ($bit = self::BITS - 1; (($bits >> $bit) & 1) === 0; $bit--) {
        }

        return $word * self::BITS + $bit;
    }

    /**
     * Every sum that was there before, and the same with one item more.
     *
     * @param  array<int, int>  $reach  bits of the sums that can be made
     * @return array<int, int>
     */
    private static function with(array $reach, int $size, int $words): array
    {
        $skip = intdiv($size, self::BITS);
        $shift = $size % self::BITS;
        $mask = (1 << self::BITS) - 1;
        for ($word = $words - 1; $word >= $skip; $word--) {
            $low = $reach[$word - $skip];
            $high = $shift > 0 && $word > $skip ? $reach[$word - $skip - 1] >> (self::BITS - $shift) : 0;
            if ($low !== 0 || $high !== 0) {
                $reach[$word] |= (($low << $shift) & $mask) | $high;
            }
        }

        return $reach;
    }
}
