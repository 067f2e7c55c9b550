<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Given\Measure\Inches;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Units;

/** Lengths as they are printed. */
final class LengthText
{
    /**
     * Short ones, of the bench: millimetres, or inches.
     *
     * @param  int  $digits  after the point, where they are not noughts
     */
    public static function of(Length $length, Units $units, int $digits = 2): string
    {
        return $units->isMetric()
            ? rtrim(rtrim(number_format($length->inMillimetres(), $digits, '.', ''), '0'), '.').' mm'
            : Inches::text($length);
    }

    /** Lengths of cable: metres, inches, or feet and inches. */
    public static function long(Length $length, Units $units): string
    {
        return $units->isMetric()
            ? number_format($length->inMetres(), 2, '.', '').' m'
            : Inches::text($length, $units === Units::Feet);
    }
}
