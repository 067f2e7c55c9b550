<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * How few reels could ever do, by functions that are dual feasible: where no reel can hold more than so much of
 * f(length), all of it needs so many (S. Fekete and J. Schepers, "New classes of fast lower bounds for bin packing
 * problems", Mathematical Programming 91, 2001; S. Martello and P. Toth, "Lower bounds and reduction procedures for the
 * bin packing problem", Discrete Applied Mathematics 28, 1990). What is on the shelf is taken off with what the same
 * function makes of it, which is as much as it can hold.
 */
final class FewestReels
{
    /** Reels are divided by at most so many. */
    private const PARTS = 20;

    /** How few must be bought. */
    public static function of(Stocked $stocked): int
    {
        $lots = [];
        $widest = max($stocked->reel, 0, ...$stocked->shelf);
        foreach ($stocked->lots as $lot) {
            if ($lot <= $widest) {
                $lots[] = $lot;
            }
        }
        if ($stocked->reel === 0 || $lots === []) {
            return 0;
        }
        $shelf = array_map(
            static fn (int $capacity): int => self::filled($stocked->lots, $capacity),
            $stocked->shelf,
        );
        $best = self::over(array_sum($lots) - array_sum($shelf), $stocked->reel);
        // A lot that only the shelf can hold may stay without cable: then it says nothing of what is bought.
        if ($lots[0] > $stocked->reel) {
            return max(0, self::over(array_sum(self::upTo($lots, $stocked->reel)) - array_sum($shelf), $stocked->reel));
        }
        foreach (self::thresholds($lots, $widest) as $least) {
            $best = max($best, self::by(
                static fn (int $size): int => match (true) {
                    $size > $widest - $least => $widest,
                    $size < $least => 0,
                    default => $size,
                },
                $lots,
                $stocked,
            ));
        }
        for ($parts = 1; $parts <= self::PARTS; $parts++) {
            // Whole multiples of a part keep their length, what is between counts by whole parts.
            $best = max($best, self::by(
                static fn (int $size): int => ($parts + 1) * $size % $widest === 0
                    ? $size * $parts
                    : intdiv(($parts + 1) * $size, $widest) * $widest,
                $lots,
                $stocked,
            ));
        }

        return $best;
    }

    /**
     * Without anything on the shelf.
     *
     * @param  list<int>  $sizes  none longer than the reel
     */
    public static function bins(array $sizes, int $capacity): int
    {
        rsort($sizes);

        return self::of(new Stocked($sizes, [], [], [$capacity], 0));
    }

    /**
     * @param  \Closure(int): int  $dual  superadditive on what the widest holds
     * @param  list<int>  $lots
     */
    private static function by(\Closure $dual, array $lots, Stocked $stocked): int
    {
        $most = $dual($stocked->reel);
        $needed = array_sum(array_map($dual, $lots)) - array_sum(array_map($dual, $stocked->shelf));

        return $most > 0 ? self::over($needed, $most) : 0;
    }

    private static function over(int $length, int $reel): int
    {
        return max(0, intdiv($length + $reel - 1, $reel));
    }

    /**
     * @param  list<int>  $lots
     * @return list<int>
     */
    private static function upTo(array $lots, int $reel): array
    {
        return array_values(array_filter($lots, static fn (int $lot): bool => $lot <= $reel));
    }

    /**
     * @param  list<int>  $lots
     * @return list<int>
     */
    private static function thresholds(array $lots, int $widest): array
    {
        return array_values(array_unique(array_filter($lots, static fn (int $lot): bool => 2 * $lot <= $widest)));
    }

    /**
     * The most that lots make of a piece of stock.
     *
     * @param  list<int>  $lots
     */
    private static function filled(array $lots, int $capacity): int
    {
        $filled = 0;
        foreach (Fill::best($lots, $capacity, Leftover::plain()) as $lot) {
            $filled += $lots[$lot];
        }

        return $filled;
    }
}
