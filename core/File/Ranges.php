<?php

declare(strict_types=1);

namespace Sartal\Core\File;

use Sartal\Core\Given\Catalogue\DiameterRange;
use Sartal\Core\Given\Catalogue\GaugeRange;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;

/** Ranges, written as a list of their two ends: ["3.5 mm", "8 mm"], ["26 AWG", "1.5 mm2"]. */
final class Ranges
{
    public static function optionalLength(Fields $fields, string $key, ?Length $most = null): ?Length
    {
        return $fields->has($key) ? $fields->length($key, $most ?? Length::metres(100)) : null;
    }

    public static function diameters(Fields $fields, string $key): ?DiameterRange
    {
        $ends = self::ends($fields, $key);
        if ($ends === null) {
            return null;
        }
        try {
            $range = new DiameterRange(Length::parse($ends[0]), Length::parse($ends[1]));
        } catch (InvalidMeasure $invalid) {
            return $fields->wrong($key, implode(' to ', $ends), $invalid->getMessage(), null);
        }

        return $range->least->isNegative() || $range->least->compare($range->most) > 0
            ? $fields->wrong($key, implode(' to ', $ends), 'should run from the smaller to the larger diameter.', null)
            : $range;
    }

    public static function gauges(Fields $fields, string $key): ?GaugeRange
    {
        $ends = self::ends($fields, $key);
        if ($ends === null) {
            return null;
        }
        try {
            $range = new GaugeRange(Gauge::parse($ends[0]), Gauge::parse($ends[1]));
        } catch (InvalidMeasure $invalid) {
            return $fields->wrong($key, implode(' to ', $ends), $invalid->getMessage(), null);
        }

        return $range->thinnest->area > $range->thickest->area
            ? $fields->wrong(
                $key,
                implode(' to ', $ends),
                'should run from the thinner to the thicker conductor.',
                null,
            )
            : $range;
    }

    /** @return ?array{string, string} */
    public static function encodeDiameters(?DiameterRange $range): ?array
    {
        return $range === null ? null : [$range->least->canonical(), $range->most->canonical()];
    }

    /** @return ?array{string, string} */
    public static function encodeGauges(?GaugeRange $range): ?array
    {
        return $range === null ? null : [$range->thinnest->text, $range->thickest->text];
    }

    /** @return ?array{string, string} */
    private static function ends(Fields $fields, string $key): ?array
    {
        if (! $fields->has($key)) {
            return null;
        }
        $ends = $fields->texts($key);

        return count($ends) === 2
            ? [$ends[0], $ends[1]]
            : $fields->wrong($key, count($ends), 'should be a list of two: from and to.', null);
    }
}
