<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * An allotment that was searched in coarse units, held to the lengths as they are: what does not fit after all goes
 * where it does.
 */
final class Mended
{
    public static function of(Allotment $allotment, Stocked $exact): Allotment
    {
        $bins = [...$allotment->shelf, ...$allotment->bought];
        $free = $exact->shelf;
        foreach (array_keys($allotment->bought) as $reel) {
            $free[count($exact->shelf) + $reel] = $exact->reel;
        }
        $loose = $allotment->unmet;
        foreach ($bins as $bin => $lots) {
            // The longest stay.
            sort($lots);
            $bins[$bin] = [];
            foreach ($lots as $lot) {
                if ($exact->lots[$lot] <= $free[$bin]) {
                    $bins[$bin][] = $lot;
                    $free[$bin] -= $exact->lots[$lot];
                } else {
                    $loose[] = $lot;
                }
            }
        }
        sort($loose);
        $unmet = [];
        foreach ($loose as $lot) {
            $at = self::tightest($free, $exact->lots[$lot]);
            if ($at === null && $exact->lots[$lot] <= $exact->reel) {
                $at = count($bins);
                [$bins[], $free[]] = [[], $exact->reel];
            }
            if ($at === null) {
                $unmet[] = $lot;
            } else {
                $bins[$at][] = $lot;
                $free[$at] -= $exact->lots[$lot];
            }
        }

        return new Allotment(
            array_slice($bins, 0, count($exact->shelf)),
            array_values(
                array_filter(array_slice($bins, count($exact->shelf)), static fn (array $bin): bool => $bin !== []),
            ),
            $unmet,
        );
    }

    /** @param  array<int, int>  $free */
    private static function tightest(array $free, int $length): ?int
    {
        $best = null;
        foreach ($free as $bin => $left) {
            if ($left >= $length && ($best === null || $left < $free[$best])) {
                $best = $bin;
            }
        }

        return $best;
    }
}
