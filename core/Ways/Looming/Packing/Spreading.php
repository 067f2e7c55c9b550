<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** Draws circles apart, or together, until the closest two just touch: nothing overlaps any more. */
final class Spreading
{
    /**
     * @param  list<Circle>  $circles
     * @return list<Circle>
     */
    public static function apart(array $circles): array
    {
        $factor = 0.0;
        $count = count($circles);
        for ($i = 0; $i < $count; $i++) {
            $a = $circles[$i];
            for ($j = $i + 1; $j < $count; $j++) {
                $b = $circles[$j];
                $least = $a->r + $b->r;
                [$dx, $dy] = [$a->x - $b->x, $a->y - $b->y];
                $square = $dx * $dx + $dy * $dy;
                if ($square * $factor * $factor < $least * $least) {
                    $factor = $least / sqrt(max($square, 1e-18));
                }
            }
        }

        return array_map(
            static fn (Circle $circle): Circle => new Circle($circle->x * $factor, $circle->y * $factor, $circle->r),
            $circles,
        );
    }
}
