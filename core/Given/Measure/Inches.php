<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * A length in inches and their fractions, as a tape has them: to the nearest sixty-fourth, and exactly where it is one.
 * What is printed reads back as the same length (see {@see LengthReader}).
 */
final class Inches
{
    /** nm: 25.4 mm / 64. */
    private const SIXTY_FOURTH = 396_875;

    private const PER_INCH = 64;

    private const PER_FOOT = 12 * self::PER_INCH;

    /** @param  bool  $feet  what is a foot or more as feet and inches */
    public static function text(Length $length, bool $feet = false): string
    {
        $size = abs($length->nanometres);
        $parts = intdiv(2 * $size + self::SIXTY_FOURTH, 2 * self::SIXTY_FOURTH);
        $sign = $length->isNegative() && $parts > 0 ? '-' : '';
        if (! $feet || $parts < self::PER_FOOT) {
            return $sign.self::inches($parts);
        }

        return $sign.intdiv($parts, self::PER_FOOT).' ft '.self::inches($parts % self::PER_FOOT);
    }

    /** Whether it is a whole number of sixty-fourths: then its text says all of it. */
    public static function areExact(Length $length): bool
    {
        return $length->nanometres % self::SIXTY_FOURTH === 0;
    }

    private static function inches(int $parts): string
    {
        $whole = intdiv($parts, self::PER_INCH);
        [$over, $under] = [$parts % self::PER_INCH, self::PER_INCH];
        while ($over > 0 && $over % 2 === 0) {
            $over = intdiv($over, 2);
            $under = intdiv($under, 2);
        }
        $fraction = $over === 0 ? '' : $over.'/'.$under;

        return trim(($whole > 0 || $over === 0 ? (string) $whole : '').' '.$fraction).' in';
    }
}
