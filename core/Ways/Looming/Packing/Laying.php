<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** Lays circles one after the other, each where it touches two that lie already and is nearest to the middle. */
final class Laying
{
    /** Against so many of those laid last, and all that are further in, a new one is tried: more gains nothing. */
    private const TRIED = 40;

    /**
     * @param  list<float>  $radii  largest first
     * @return list<Circle>
     */
    public static function lay(array $radii): array
    {
        $laid = [];
        foreach ($radii as $r) {
            $laid[] = match (count($laid)) {
                0 => new Circle(0.0, 0.0, $r),
                1 => new Circle($laid[0]->r + $r, 0.0, $r),
                default => self::next($laid, $r),
            };
        }

        return $laid;
    }

    /** @param  non-empty-list<Circle>  $laid */
    private static function next(array $laid, float $r): Circle
    {
        [$mx, $my] = self::middle($laid);
        $best = null;
        $least = INF;
        $tried = array_slice($laid, -self::TRIED);
        foreach ($tried as $i => $one) {
            foreach (array_slice($tried, $i + 1) as $other) {
                foreach (self::touching($one, $other, $r) as $place) {
                    $out = hypot($place->x - $mx, $place->y - $my) + $r;
                    if ($out < $least && self::isFree($place, $laid)) {
                        [$best, $least] = [$place, $out];
                    }
                }
            }
        }

        return $best ?? new Circle($mx + self::extent($laid, $mx, $my) + $r, $my, $r);
    }

    /**
     * @param  non-empty-list<Circle>  $laid
     * @return array{float, float} by area
     */
    private static function middle(array $laid): array
    {
        [$x, $y, $area] = [0.0, 0.0, 0.0];
        foreach ($laid as $circle) {
            $x += $circle->x * $circle->r ** 2;
            $y += $circle->y * $circle->r ** 2;
            $area += $circle->r ** 2;
        }

        return [$x / $area, $y / $area];
    }

    /** @param  list<Circle>  $laid */
    private static function extent(array $laid, float $x, float $y): float
    {
        $most = 0.0;
        foreach ($laid as $circle) {
            $most = max($most, hypot($circle->x - $x, $circle->y - $y) + $circle->r);
        }

        return $most;
    }

    /** @return list<Circle> the two places of a circle that touches both */
    private static function touching(Circle $a, Circle $b, float $r): array
    {
        $distance = hypot($b->x - $a->x, $b->y - $a->y);
        [$ra, $rb] = [$a->r + $r, $b->r + $r];
        if ($distance > $ra + $rb || $distance < 1e-12) {
            return [];
        }
        $along = ($ra ** 2 - $rb ** 2 + $distance ** 2) / (2 * $distance);
        $across = sqrt(max(0.0, $ra ** 2 - $along ** 2));
        [$ux, $uy] = [($b->x - $a->x) / $distance, ($b->y - $a->y) / $distance];

        return [
            new Circle($a->x + $along * $ux - $across * $uy, $a->y + $along * $uy + $across * $ux, $r),
            new Circle($a->x + $along * $ux + $across * $uy, $a->y + $along * $uy - $across * $ux, $r),
        ];
    }

    /** @param  list<Circle>  $laid */
    private static function isFree(Circle $place, array $laid): bool
    {
        foreach ($laid as $circle) {
            $least = $circle->r + $place->r;
            if (
                abs($circle->x - $place->x) < $least &&
                abs($circle->y - $place->y) < $least &&
                hypot($circle->x - $place->x, $circle->y - $place->y) < $least * (1 - 1e-9)
            ) {
                return false;
            }
        }

        return true;
    }
}
