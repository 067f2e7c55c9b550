<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

use DateTimeImmutable;

/** What was left of the work at the end of a day, as it is planned now. */
final readonly class DayLeft
{
    /**
     * @param  string  $day  as 2026-03-09
     * @param  float  $done  h of planned work that were done on it
     * @param  float  $left  h of planned work that were left after it
     */
    private function __construct(public string $day, public float $done, public float $left)
    {
    }

    /**
     * Day by day on which something was done that still stands; the day before the first of them stands before it.
     *
     * @param  array<int|string, float>  $done  day → h
     * @param  float  $left  h that are left now
     * @return list<self> in the order of days
     */
    public static function over(array $done, float $left): array
    {
        krsort($done, SORT_STRING);
        $days = [];
        $first = '';
        foreach ($done as $day => $hours) {
            $first = (string) $day;
            $days[] = new self($first, $hours, $left);
            $left += $hours;
        }
        if ($first !== '') {
            $days[] = new self((new DateTimeImmutable($first.' 12:00'))->modify('-1 day')->format('Y-m-d'), 0.0, $left);
        }

        return array_reverse($days);
    }
}
