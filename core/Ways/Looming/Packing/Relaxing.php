<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** Pushes circles apart where they overlap, and in where they stand out, until they lie as still as they will. */
final class Relaxing
{
    private const ROUNDS = 90;

    /** From so many on, only those nearby are compared. */
    private const MANY = 30;

    /**
     * @param  list<Circle>  $circles
     * @param  float  $within  radius of the disc round 0, 0 that they are pressed into
     * @return list<Circle>
     */
    public static function into(array $circles, float $within): array
    {
        [$x, $y, $r] = [[], [], []];
        foreach ($circles as $circle) {
            $x[] = $circle->x;
            $y[] = $circle->y;
            $r[] = $circle->r;
        }
        $count = count($circles);
        $still = $within * 1e-5;
        $pairs = self::near($x, $y, $r);
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            if ($count > self::MANY && $round % 15 === 0) {
                $pairs = self::near($x, $y, $r);
            }
            $moved = 0.0;
            foreach ($pairs as [$i, $j]) {
                $least = $r[$i] + $r[$j];
                $dx = $x[$j] - $x[$i];
                $dy = $y[$j] - $y[$i];
                $square = $dx * $dx + $dy * $dy;
                if ($square >= $least * $least) {
                    continue;
                }
                $distance = sqrt($square);
                if ($distance < 1e-9) {
                    [$dx, $dy, $distance] = [1e-6 * ($j - $i), 1e-6, 1e-6];
                }
                $push = ($least - $distance) / (2 * $distance);
                $x[$i] -= $dx * $push;
                $y[$i] -= $dy * $push;
                $x[$j] += $dx * $push;
                $y[$j] += $dy * $push;
                $moved = max($moved, $least - $distance);
            }
            for ($i = 0; $i < $count; $i++) {
                $out = sqrt($x[$i] * $x[$i] + $y[$i] * $y[$i]);
                $most = max(0.0, $within - $r[$i]);
                if ($out > $most) {
                    $x[$i] *= $most / $out;
                    $y[$i] *= $most / $out;
                    $moved = max($moved, $out - $most);
                }
            }
            if ($moved < $still) {
                break;
            }
        }

        return array_map(static fn (int $i): Circle => new Circle($x[$i], $y[$i], $r[$i]), range(0, $count - 1));
    }

    /**
     * Pairs that touch or may come to.
     *
     * @param  array<int, float>  $x
     * @param  array<int, float>  $y
     * @param  array<int, float>  $r
     * @return list<array{int, int}>
     */
    private static function near(array $x, array $y, array $r): array
    {
        $count = count($x);
        $reach = $count > self::MANY ? max(0.0, ...$r) : INF;
        $pairs = [];
        for ($i = 0; $i < $count; $i++) {
            for ($j = $i + 1; $j < $count; $j++) {
                $far = $r[$i] + $r[$j] + $reach;
                if (abs($x[$j] - $x[$i]) < $far && abs($y[$j] - $y[$i]) < $far) {
                    $pairs[] = [$i, $j];
                }
            }
        }

        return $pairs;
    }
}
