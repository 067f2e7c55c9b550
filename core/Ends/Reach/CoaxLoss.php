<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\CoaxGeometry;

/**
 * Loss of a coaxial line from its geometry: in the conductors by skin depth,
 * with √f; in the dielectric with f. Copper at 20 °C (IEC 60028). Source: any
 * text on transmission lines, e.g. Pozar, Microwave Engineering, chapter 2.
 */
final class CoaxLoss
{
    private const COPPER = 17.241e-9;

    private const MU_0 = 4e-7 * M_PI;

    private const NEPER = 8.685889638;

    /** dB for each metre, in the conductors. */
    public static function conductors(CoaxGeometry $line, float $hertz): float
    {
        $surface = sqrt(M_PI * $hertz * self::MU_0 * self::COPPER);
        $perMetre =
            ($surface / M_PI) * (1e3 / $line->centre->inMillimetres() + 1e3 / $line->dielectric->inMillimetres());

        return (self::NEPER * $perMetre) / (2 * $line->impedance());
    }

    /** dB for each metre, in the dielectric. */
    public static function dielectric(CoaxGeometry $line, float $tangent, float $hertz): float
    {
        return (self::NEPER * M_PI * $hertz * sqrt($line->permittivity) * $tangent) / Stretch::LIGHT;
    }
}
