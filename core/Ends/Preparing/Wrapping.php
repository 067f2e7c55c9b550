<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Given\Catalogue\LabelFace;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;

/**
 * How high a self-laminating wrap has to be: its print, then a clear tail of
 * at least one more turn round the cable. Source: common practice; geometry.
 */
final class Wrapping
{
    public static function needed(LabelFace $face, Length $over): Worked
    {
        return Worked::sum([
            new Term('print', 'height of the printed part', $face->printed, 'label'),
            new Term('tail', 'one turn round '.$over->canonical(), self::turn($over), 'π × diameter'),
        ]);
    }

    public static function fits(LabelFace $face, Length $over): bool
    {
        return self::needed($face, $over)->result->compare($face->height) <= 0;
    }

    public static function turn(Length $over): Length
    {
        return Length::millimetres(round($over->inMillimetres() * M_PI, 3));
    }
}
