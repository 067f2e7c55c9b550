<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/**
 * The smallest circle round given circles. J. Matoušek, M. Sharir and E. Welzl,
 * "A subexponential bound for linear programming", Algorithmica 16, 1996: of
 * all circles at most three touch the one that is looked for.
 */
final class EnclosingCircle
{
    /** @param  list<Circle>  $circles */
    public static function around(array $circles): Circle
    {
        if ($circles === []) {
            return new Circle(0.0, 0.0, 0.0);
        }
        usort(
            $circles,
            static fn (Circle $a, Circle $b): int => hypot($b->x, $b->y) + $b->r <=> hypot($a->x, $a->y) + $a->r,
        );
        $basis = [];
        $circle = null;
        for ($i = 0; $i < count($circles);) {
            if ($circle !== null && $circle->holds($circles[$i])) {
                $i++;
            } else {
                $basis = self::extended($basis, $circles[$i]);
                $circle = self::through($basis);
                $i = 0;
            }
        }

        return $circle ?? $circles[0];
    }

    /**
     * The fewest circles that, with a new one, fix the circle round all of them.
     *
     * @param  list<Circle>  $basis
     * @return non-empty-list<Circle>
     */
    private static function extended(array $basis, Circle $new): array
    {
        if (self::allIn(self::through([$new]), $basis)) {
            return [$new];
        }
        foreach ($basis as $one) {
            if (! $new->holds($one) && self::allIn(self::two($one, $new), $basis)) {
                return [$one, $new];
            }
        }
        foreach ($basis as $i => $one) {
            foreach (array_slice($basis, $i + 1) as $other) {
                $candidate = [$one, $other, $new];
                if (
                    ! self::two($one, $other)->holds($new) &&
                    ! self::two($one, $new)->holds($other) &&
                    ! self::two($other, $new)->holds($one) &&
                    self::allIn(self::three($one, $other, $new), $basis)
                ) {
                    return $candidate;
                }
            }
        }

        // Rounding left no basis that holds all: the widest pair with the new one is as near as it gets.
        return [$new, ...array_slice($basis, 0, 2)];
    }

    /** @param  list<Circle>  $circles */
    private static function allIn(Circle $circle, array $circles): bool
    {
        foreach ($circles as $each) {
            if (! $circle->holds($each)) {
                return false;
            }
        }

        return true;
    }

    /** @param  non-empty-list<Circle>  $basis */
    private static function through(array $basis): Circle
    {
        return match (count($basis)) {
            1 => $basis[0],
            2 => self::two($basis[0], $basis[1]),
            default => self::three($basis[0], $basis[1], $basis[2]),
        };
    }

    private static function two(Circle $a, Circle $b): Circle
    {
        $distance = hypot($b->x - $a->x, $b->y - $a->y);
        if ($distance <= abs($a->r - $b->r)) {
            return $a->r >= $b->r ? $a : $b;
        }
        $share = ($b->r - $a->r) / $distance;

        return new Circle(
            ($a->x + $b->x + ($b->x - $a->x) * $share) / 2,
            ($a->y + $b->y + ($b->y - $a->y) * $share) / 2,
            ($distance + $a->r + $b->r) / 2,
        );
    }

    /** The circle that all three touch from inside: Apollonius. */
    private static function three(Circle $a, Circle $b, Circle $c): Circle
    {
        // |p − pi| = r − ri for all three; subtracting the first leaves p linear in r.
        [$ax, $ay, $bx, $by] = [$b->x - $a->x, $b->y - $a->y, $c->x - $a->x, $c->y - $a->y];
        $determinant = 2 * ($ax * $by - $ay * $bx);
        if (abs($determinant) < 1e-12) {
            return self::widest($a, $b, $c);
        }
        $sa = $ax ** 2 + $ay ** 2 + $a->r ** 2 - $b->r ** 2;
        $sb = $bx ** 2 + $by ** 2 + $a->r ** 2 - $c->r ** 2;
        [$da, $db] = [2 * ($b->r - $a->r), 2 * ($c->r - $a->r)];
        $x0 = ($sa * $by - $sb * $ay) / $determinant;
        $y0 = ($sb * $ax - $sa * $bx) / $determinant;
        $x1 = ($da * $by - $db * $ay) / $determinant;
        $y1 = ($db * $ax - $da * $bx) / $determinant;
        // With p = p0 + p1 r, measured from the first: |p|² = (r − r1)².
        $square = $x1 ** 2 + $y1 ** 2 - 1;
        $linear = 2 * ($x0 * $x1 + $y0 * $y1 + $a->r);
        $constant = $x0 ** 2 + $y0 ** 2 - $a->r ** 2;
        $r = self::root($square, $linear, $constant, max($a->r, $b->r, $c->r));

        return new Circle($a->x + $x0 + $x1 * $r, $a->y + $y0 + $y1 * $r, $r);
    }

    private static function root(float $square, float $linear, float $constant, float $least): float
    {
        if (abs($square) < 1e-12) {
            return -$constant / $linear;
        }
        $under = sqrt(max(0.0, $linear ** 2 - 4 * $square * $constant));
        $roots = [(-$linear - $under) / (2 * $square), (-$linear + $under) / (2 * $square)];
        sort($roots);

        return $roots[0] >= $least * (1 - 1e-12) ? $roots[0] : $roots[1];
    }

    /** Of three in a line, the circle round the two that are furthest apart. */
    private static function widest(Circle $a, Circle $b, Circle $c): Circle
    {
        $circles = [self::two($a, $b), self::two($a, $c), self::two($b, $c)];
        usort($circles, static fn (Circle $one, Circle $other): int => $other->r <=> $one->r);

        return $circles[0];
    }
}
