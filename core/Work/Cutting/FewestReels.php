<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

/**
 * How few bins could ever do: S. Martello and P. Toth, "Lower bounds and
 * reduction procedures for the bin packing problem", Discrete Applied
 * Mathematics 28, 1990 (their bound L2).
 */
final class FewestReels
{
    /**
     * @param  list<int>  $sizes  in units, none above the bin's
     */
    public static function bins(array $sizes, int $capacity): int
    {
        $best = 0;
        foreach (
            array_unique([0, ...array_filter($sizes, static fn (int $size): bool => 2 * $size <= $capacity)]) as $least
        ) {
            [$large, $half, $halfSum, $smallSum] = [0, 0, 0, 0];
            foreach ($sizes as $size) {
                if ($size > $capacity - $least) {
                    $large++;
                } elseif (2 * $size > $capacity) {
                    $half++;
                    $halfSum += $size;
                } elseif ($size >= $least) {
                    $smallSum += $size;
                }
            }
            $over = $smallSum - ($half * $capacity - $halfSum);
            $best = max($best, $large + $half + max(0, (int) ceil($over / $capacity)));
        }

        return $best;
    }
}
