<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** Strews circles over a disc, in ways that are the same each time. */
final class Scatter
{
    /** The golden angle spreads them evenly. */
    private const GOLDEN = 2.399963229728653;

    /**
     * @param  list<float>  $radii  largest first
     * @param  int  $way  1 largest in the middle, 2 largest outside, 3 and on by other orders
     * @return list<Circle>
     */
    public static function lay(array $radii, float $within, int $way): array
    {
        $count = count($radii);
        $circles = [];
        $state = 2463534242 + $way * 7919;
        foreach ($radii as $i => $r) {
            // A linear congruential sequence (Numerical Recipes): no chance, the same every time.
            $state = ($state * 1664525 + 1013904223) & 0xFFFFFFFF;
            $step = match ($way) {
                1 => $i,
                2 => $count - 1 - $i,
                default => ($count * $state) / 0x100000000,
            };
            $out = ($within - $r) * sqrt(($step + 0.5) / $count);
            $angle = $i * self::GOLDEN + $way * 0.7 + ($way > 2 ? 0.4 * $step : 0);
            $circles[] = new Circle($out * cos($angle), $out * sin($angle), $r);
        }

        return $circles;
    }
}
