<?php

declare(strict_types=1);

namespace Sartal\Core\Cutting;

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
     * @param  callable(int): float  $cost  of leaving so many units free; the least is taken, then the least free
     * @return list<int> keys of the items taken
     */
    public static function best(array $sizes, int $capacity, callable $cost): array
    {
        if ($capacity <= 0) {
            return [];
        }
        $words = intdiv($capacity, self::BITS) + 1;
        $reach = array_fill(0, $words, 0);
        $reach[0] = 1;
        $first = [0 => -1];
        foreach ($sizes as $item => $size) {
            if ($size <= $capacity) {
                self::add($reach, $first, $item, $size, $capacity, $words);
                if (isset($first[$capacity])) {
                    break;
                }
            }
        }
        $best = 0;
        $least = INF;
        foreach (array_keys($first) as $sum) {
            $costs = $cost($capacity - $sum);
            if ($costs < $least || ($costs === $least && $sum > $best)) {
                [$best, $least] = [$sum, $costs];
            }
        }
        $taken = [];
        while ($best > 0) {
            $item = $first[$best];
            $taken[] = $item;
            $best -= $sizes[$item];
        }

        return array_reverse($taken);
    }

    /**
     * Adds one item to every sum that was there before.
     *
     * @param  array<int, int>  $reach  bits of the sums that can be made
     * @param  array<int, int>  $first  sum → the item that first made it
     */
    private static function add(array &$reach, array &$first, int $item, int $size, int $capacity, int $words): void
    {
        $skip = intdiv($size, self::BITS);
        $shift = $size % self::BITS;
        $mask = (1 << self::BITS) - 1;
        for ($word = $words - 1; $word >= $skip; $word--) {
            $low = $reach[$word - $skip];
            $high = $shift > 0 && $word - $skip > 0 ? $reach[$word - $skip - 1] >> (self::BITS - $shift) : 0;
            $new = ((($low << $shift) & $mask) | $high) & ~$reach[$word];
            if ($new === 0) {
                continue;
            }
            $reach[$word] |= $new;
            for ($bit = 0; $new !== 0; $bit++, $new >>= 1) {
                if (($new & 1) === 1) {
                    $sum = $word * self::BITS + $bit;
                    if ($sum <= $capacity) {
                        $first[$sum] = $item;
                    }
                }
            }
        }
    }
}
