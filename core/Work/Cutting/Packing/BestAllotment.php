<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting\Packing;

/**
 * The allotment that costs least: exact where there are few lots, the best that was found where there are many. It is
 * searched in whole multiples of what all lots are multiples of, which loses nothing. Only where that would be finer
 * than can be searched, units are coarse; what fits is then still told by the lengths as they are.
 */
final readonly class BestAllotment
{
    /** Units on the longest piece of stock that can be searched. */
    private const FINEST = 2_000_000;

    /** @param  int  $atLeast  reels that must be bought whatever is done */
    public function __construct(public Allotment $allotment, public int $atLeast)
    {
    }

    /** How few reels could do, as far as that is told without looking for a plan. */
    public static function atLeast(Stocked $stocked): int
    {
        return $stocked->lots === [] ? 0 : FewestReels::of($stocked->over(self::unit($stocked), false));
    }

    /** @param  Stocked  $stocked  in nanometres */
    public static function of(Stocked $stocked): self
    {
        if ($stocked->lots === []) {
            return new self(new Allotment(array_fill(0, count($stocked->shelf), []), []), 0);
        }
        $unit = self::unit($stocked);
        if (self::isCommon($unit, $stocked->lots)) {
            $scaled = $stocked->over($unit, false);

            return self::proven($scaled, self::search($scaled, FewestReels::of($scaled)));
        }
        // With lots a little too short the bound holds, and with lots a little too long what fits, fits.
        $short = $stocked->over($unit, false);
        $atLeast = FewestReels::of($short);
        $best = null;
        foreach ([$short, $stocked->over($unit, true)] as $scaled) {
            $allotment = Mended::of(self::search($scaled, $atLeast), $stocked);
            if ($best === null || $allotment->cost($stocked)->compare($best->cost($stocked)) < 0) {
                $best = $allotment;
            }
        }

        return new self($best, $atLeast);
    }

    /** What all lots are multiples of, or where that is too fine to be searched, a little more than it can be. */
    private static function unit(Stocked $stocked): int
    {
        $unit = 0;
        foreach ($stocked->lots as $lot) {
            $unit = self::divisor($unit, $lot);
        }

        return max($unit, intdiv(max($stocked->reel, 0, ...$stocked->shelf), self::FINEST) + 1);
    }

    /** @param  list<int>  $lots */
    private static function isCommon(int $unit, array $lots): bool
    {
        foreach ($lots as $lot) {
            if ($lot % $unit !== 0) {
                return false;
            }
        }

        return true;
    }

    /** Fewer reels are looked for one by one, until it is found that they do not do. */
    private static function proven(Stocked $stocked, Allotment $allotment): self
    {
        $atLeast = FewestReels::of($stocked);
        if (Subsets::serves($stocked)) {
            return new self($allotment, $allotment->unmet === [] ? count($allotment->bought) : $atLeast);
        }
        while ($allotment->unmet === [] && count($allotment->bought) > $atLeast) {
            $fewer = Fewer::than($stocked, count($allotment->bought) - 1);
            if ($fewer === null) {
                break;
            }
            if ($fewer === false) {
                $atLeast = count($allotment->bought);
            } else {
                $allotment = Repack::best($stocked, count($fewer->bought), $fewer);
            }
        }

        return new self($allotment, $atLeast);
    }

    /** Another allotment of the same. */
    public function with(Allotment $allotment): self
    {
        return new self($allotment, $this->atLeast);
    }

    private static function search(Stocked $stocked, int $atLeast): Allotment
    {
        if (Subsets::serves($stocked)) {
            return Subsets::best($stocked);
        }
        $reels = $stocked->shelf === [] ? FullReels::even($stocked->lots, $stocked->reel, $atLeast) : null;

        return Repack::best($stocked, $atLeast, $reels === null ? null : new Allotment([], $reels));
    }

    /** The greatest common divisor (Euclid). */
    private static function divisor(int $a, int $b): int
    {
        return $b === 0 ? $a : self::divisor($b, $a % $b);
    }
}
