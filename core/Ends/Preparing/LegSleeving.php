<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Installation\Leg;
use Sartal\Core\Given\Measure\Length;

/**
 * Braided sleeving over one leg, as far as that is out of the sheath, and the short pieces of shrink that keep its ends
 * from fraying. Source: common practice.
 */
final readonly class LegSleeving
{
    /** Of a round bundle, what the round things in it fill of its area: two side by side, the least of all. */
    private const FILL = 0.5;

    /** One at either end. */
    public const PIECES = 2;

    /**
     * @param  ?Part  $ends  null where no shrink of the catalogue goes over it and grips the leg
     * @param  Length  $along  how far the leg is out of the sheath
     */
    private function __construct(public Part $sleeve, public ?Part $ends, public Length $along)
    {
    }

    /**
     * @param  Length  $along  how far the leg is out of the sheath
     * @return ?self null where none is wanted, nothing is out of the sheath, or what was chosen does not go round
     */
    public static function of(Leg $leg, Length $along, CableType $cable, Catalogue $catalogue): ?self
    {
        $sleeve = $along->isZero() ? null : self::chosen($leg, $cable, $catalogue);
        if ($sleeve === null) {
            return null;
        }
        $girth = self::girth($leg, $cable);
        $ends = ShrinkChoice::among($catalogue->parts(), $girth->times(SleeveChoice::OVER), $girth, false);

        return new self($sleeve, $ends, $along);
    }

    /** The one that was chosen where that goes round the leg, else the smallest that does; null where none does. */
    public static function chosen(Leg $leg, CableType $cable, Catalogue $catalogue): ?Part
    {
        if ($leg->sleeve === null) {
            return null;
        }
        $parts = $leg->sleeve === '' ? $catalogue->parts() : array_filter([$catalogue->part($leg->sleeve)]);

        return SleeveChoice::among($parts, self::girth($leg, $cable));
    }

    /** @return Length over the leg; of several elements, a circle of as much area as they fill in the cable */
    public static function girth(Leg $leg, CableType $cable): Length
    {
        $area = 0.0;
        foreach ($leg->elements as $element) {
            $diameter = $cable->diameter($element);
            if ($diameter === null) {
                return $cable->outerDiameter;
            }
            $area += $diameter->nanometres ** 2;
        }
        $one = count($leg->elements) === 1;
        $bundle = Length::nanometres((int) round(sqrt($area / ($one ? 1.0 : self::FILL))));

        return $bundle->compare($cable->outerDiameter) < 0 ? $bundle : $cable->outerDiameter;
    }
}
