<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/**
 * Packs circles of different sizes into as small a circle as it finds: laid
 * one against the other from several starts, then squeezed. Each result is
 * without overlap, so a bundle is never stated thinner than can be made.
 * Source: common practice in packing; checked against the published packings
 * of equal circles (R. L. Graham et al., Discrete Mathematics 181, 1998).
 */
final class Packer
{
    /** Each squeeze tries for a bundle so much thinner. */
    private const SQUEEZE = 0.985;

    /** More starts for few circles, where a good place matters most. */
    private const STARTS = [7 => 6, 12 => 8, 24 => 4, 60 => 2];

    /**
     * @param  list<float>  $diameters  mm, each above nothing
     */
    public static function pack(array $diameters): Packing
    {
        $radii = array_map(static fn (float $diameter): float => $diameter / 2, $diameters);
        $order = array_keys($radii);
        usort($order, static fn (int $a, int $b): int => $radii[$b] <=> $radii[$a]);
        $sorted = array_map(static fn (int $i): float => $radii[$i], $order);
        $best = self::sorted($sorted);
        $circles = [];
        foreach ($order as $place => $i) {
            $circles[$i] = $best->circles[$place];
        }
        ksort($circles);

        return new Packing(array_values($circles), $best->diameter);
    }

    /** @param  list<float>  $radii  largest first */
    private static function sorted(array $radii): Packing
    {
        $count = count($radii);
        $best = Packing::around(...Laying::lay($radii));
        if ($count <= 2) {
            return $best;
        }
        foreach (self::starts($radii, $best) as $start) {
            $found = self::squeezed($start, $best->diameter / 2);
            if ($found !== null && $found->diameter < $best->diameter) {
                $best = $found;
            }
        }

        return $best;
    }

    /**
     * @param  list<float>  $radii
     * @return iterable<list<Circle>>
     */
    private static function starts(array $radii, Packing $laid): iterable
    {
        yield $laid->circles;
        $starts = 1;
        foreach (self::STARTS as $upTo => $tries) {
            if (count($radii) <= $upTo) {
                $starts = $tries;
                break;
            }
        }
        for ($start = 1; $start < $starts; $start++) {
            yield Scatter::lay($radii, $laid->diameter / 2, $start);
        }
    }

    /**
     * Squeezes until it gets no thinner.
     *
     * @param  list<Circle>  $circles
     */
    private static function squeezed(array $circles, float $within): ?Packing
    {
        $best = null;
        $radius = $within * self::SQUEEZE;
        for ($failed = 0; $failed < 2;) {
            $circles = Relaxing::into($circles, $radius);
            $found = Packing::around(...Spreading::apart($circles));
            if ($found->diameter < ($best->diameter ?? INF) * (1 - 1e-4)) {
                $best = $found;
                $radius = min($radius, $found->diameter / 2) * self::SQUEEZE;
                $circles = $found->circles;
            } else {
                $failed++;
                $radius = (($best->diameter ?? 2 * $within) / 2) * (1 - (1 - self::SQUEEZE) / 3);
                $circles = $best === null ? $circles : $best->circles;
            }
        }

        return $best;
    }
}
