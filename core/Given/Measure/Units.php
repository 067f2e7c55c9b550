<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/** In which units somebody reads lengths. */
enum Units: string
{
    case Metric = 'metric';

    /** Inches and their fractions, however long. */
    case Inch = 'inch';

    /** The same; what is long in feet and inches. */
    case Feet = 'feet';

    public function isMetric(): bool
    {
        return $this === self::Metric;
    }
}
