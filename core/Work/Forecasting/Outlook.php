<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Forecasting;

use DateTimeImmutable;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;

/**
 * When what is left will be done, if it goes on as on the last working days: the day that is likeliest, and those
 * between which it ends four times of five. Work comes off day by day like renewals: the days until so much of it is
 * done are spread by √(left · s² ÷ m³) around left ÷ m (Feller, An Introduction to Probability Theory and Its
 * Applications, vol. 2, chapter XI: the central limit theorem for renewals; from memory).
 */
final readonly class Outlook
{
    /** Working days that it looks back at: three weeks, so that one bad day is not all it knows. */
    private const WINDOW = 15;

    /** Fewer of them say nothing of how they differ. */
    private const ENOUGH = 5;

    /** Of the normal distribution: 0.9 of it lies below. */
    private const TENTH = 1.2816;

    /** Working days, of which nobody plans more ahead: ten years. */
    private const FAR = 2500.0;

    private function __construct(
        public DateTimeImmutable $early,
        public DateTimeImmutable $likely,
        public DateTimeImmutable $late,
        public Figure $pace,
    ) {
    }

    /**
     * @param  array<int|string, float>  $done  day, as 2026-03-09 → h of planned work that were done on it
     * @param  float  $left  h of planned work
     * @return ?self null where too few days say how it goes, or nothing was done on them, or it takes years
     */
    public static function of(array $done, float $left, DateTimeImmutable $today): ?self
    {
        $days = array_map(strval(...), array_keys(array_filter($done, static fn (float $hours): bool => $hours > 0.0)));
        $first = $days === [] ? '' : min($days);
        $window = $first === '' ? [] : WorkingDays::before($today, self::WINDOW, WorkingDays::of($first));
        $on = array_fill_keys($window, 0.0);
        foreach ($done as $day => $hours) {
            $at = WorkingDays::of((string) $day);
            if (isset($on[$at])) {
                $on[$at] += $hours;
            }
        }
        $count = count($on);
        $mean = $count === 0 ? 0.0 : array_sum($on) / $count;
        if ($count < self::ENOUGH || $mean <= 0.0 || $left <= 0.0 || $left / $mean > self::FAR) {
            return null;
        }
        $variance = array_sum(array_map(static fn (float $hours): float => ($hours - $mean) ** 2, $on)) / ($count - 1);
        $likely = $left / $mean;
        $spread = self::TENTH * sqrt($left * $variance / $mean ** 3);

        return new self(
            WorkingDays::after($today, $likely - $spread),
            WorkingDays::after($today, $likely),
            WorkingDays::after($today, min($likely + $spread, self::FAR)),
            new Figure($mean, 'h', [
                new FigureTerm(
                    'done',
                    sprintf('planned work that was done on the last %d working days', $count),
                    Figure::amount(array_sum($on), 'h'),
                    'the record',
                ),
                new FigureTerm('spread', 'by which days differ', Figure::amount(sqrt($variance), 'h'), 'their own'),
                new FigureTerm('left', 'planned work', Figure::amount($left, 'h'), 'the plan'),
                new FigureTerm(
                    'takes',
                    sprintf('%.1f working days, four times of five %.1f more or less', $likely, $spread),
                    '',
                    'left ÷ m ± 1.28 √(left · s² ÷ m³)',
                ),
            ]),
        );
    }
}
