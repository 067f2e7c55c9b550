<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Length;

/**
 * Whether a part that is threaded on a cable gets past something that sits
 * there already. Source: geometry; how shrink is supplied, common practice.
 */
final class Passing
{
    /** Past a finished connector. Nothing is known of a part without a bore, so it does not. */
    public static function connector(Part $part, ConnectorType $connector): bool
    {
        return self::over($part, self::around($connector, self::gives($part)));
    }

    /** Past another part that is on the cable; one whose outside is not stated lets nothing by. */
    public static function part(Part $part, Part $other): bool
    {
        return $other->split || self::over($part, $other->outer);
    }

    public static function over(Part $part, ?Length $outer): bool
    {
        $bore = $part->bore();

        return $part->split || ($bore !== null && $outer !== null && $bore->compare($outer) >= 0);
    }

    /**
     * The bore that a connector passes: its diagonal, or for what gives way
     * the circle of the same girth.
     */
    public static function around(ConnectorType $connector, bool $gives): Length
    {
        $width = $connector->outline->width->inMillimetres();
        $height = $connector->outline->height->inMillimetres();
        if ($connector->outline->shape === 'round') {
            return Length::millimetres(max($width, $height));
        }

        return Length::millimetres(round($gives ? (2 * ($width + $height)) / M_PI : hypot($width, $height), 3));
    }

    /** A tube that is not stiff takes the shape of what it is drawn over. */
    private static function gives(Part $part): bool
    {
        return in_array($part->kind, [PartKind::Shrink, PartKind::Sleeve, PartKind::Label], true);
    }
}
