<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Given\Measure\Length;

/** Lengths as they are printed: millimetres, or inches as sixty-fourths at the finest. */
final class LengthText
{
    /** @param  int  $digits  after the point, where they are not noughts */
    public static function of(Length $length, bool $inches, int $digits = 2): string
    {
        return $inches
            ? self::inches($length->inMillimetres())
            : rtrim(rtrim(number_format($length->inMillimetres(), $digits, '.', ''), '0'), '.').' mm';
    }

    private static function inches(float $mm): string
    {
        $parts = (int) round(($mm / 25.4) * 16);
        $whole = intdiv($parts, 16);
        $over = $parts % 16;
        $under = 16;
        while ($over > 0 && $over % 2 === 0) {
            $over = intdiv($over, 2);
            $under = intdiv($under, 2);
        }

        return trim(
            ($whole > 0 || $over === 0 ? (string) $whole : '').($over === 0 ? '' : ' '.$over.'/'.$under),
        ).' in';
    }
}
