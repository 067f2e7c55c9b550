<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

use DateTimeImmutable;

/** Days at work: Monday to Friday. */
final class WorkingDays
{
    /** Of the week, from which on it is free. */
    private const SATURDAY = 6;

    /** The one on which so many of them are over, today counted where it is one. */
    public static function after(DateTimeImmutable $today, float $days): DateTimeImmutable
    {
        for ($at = $today, $left = $days; ; $at = $at->modify('+1 day')) {
            $left -= self::isOne($at) ? 1.0 : 0.0;
            if ($left <= 0.0 && self::isOne($at)) {
                return $at;
            }
        }
    }

    /**
     * The last ones before a day, and not before another.
     *
     * @return list<string> as 2026-03-09, in their order
     */
    public static function before(DateTimeImmutable $day, int $most, string $first): array
    {
        $days = [];
        for (
            $at = $day->modify('-1 day');
            count($days) < $most && $at->format('Y-m-d') >= $first;
            $at = $at->modify('-1 day')
        ) {
            if (self::isOne($at)) {
                array_unshift($days, $at->format('Y-m-d'));
            }
        }

        return $days;
    }

    /** The day itself, or the last one before it: what is done on a Sunday is told with Friday. */
    public static function of(string $day): string
    {
        $at = new DateTimeImmutable($day.' 12:00');
        while (! self::isOne($at)) {
            $at = $at->modify('-1 day');
        }

        return $at->format('Y-m-d');
    }

    private static function isOne(DateTimeImmutable $day): bool
    {
        return (int) $day->format('N') < self::SATURDAY;
    }
}
