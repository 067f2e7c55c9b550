<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use DateInterval;
use DatePeriod;
use DateTimeImmutable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Work\Forecasting\DayLeft;
use Sartal\Core\Work\Forecasting\Outlook;
use Sartal\Core\Work\Forecasting\WorkingDays;

/** What is left, and when that ends. */
final class OutlookTest extends TestCase
{
    private static function number(Randomizer $random, float $least, float $most): float
    {
        return $least + ($most - $least) * $random->getInt(0, 1_000_000) / 1_000_000;
    }

    /** Days counted one by one, by PHP's own calendar. */
    private static function counted(DateTimeImmutable $from, int $days): string
    {
        $all = new DatePeriod($from, new DateInterval('P1D'), $from->modify('+5000 days'));
        foreach ($all as $day) {
            if (! in_array($day->format('l'), ['Saturday', 'Sunday'], true) && --$days <= 0) {
                return $day->format('Y-m-d');
            }
        }
        self::fail('Nobody plans so far ahead.');
    }

    public function test_work_ends_on_a_working_day_that_is_counted_off_the_calendar(): void
    {
        $random = new Randomizer(new Mt19937(4));
        for ($try = 0; $try < 200; $try++) {
            $from = new DateTimeImmutable(sprintf('2026-%02d-%02d', $random->getInt(1, 12), $random->getInt(1, 28)));
            $days = $random->getInt(1, 400);
            self::assertSame(self::counted($from, $days), WorkingDays::after($from, (float) $days)->format('Y-m-d'));
            // Part of a day takes that day.
            self::assertSame(self::counted($from, $days), WorkingDays::after($from, $days - 0.4)->format('Y-m-d'));
        }
    }

    public function test_the_working_days_before_one_lead_back_to_it(): void
    {
        // 7 December 2026 is a Monday.
        $monday = new DateTimeImmutable('2026-12-07');
        $week = ['2026-11-30', '2026-12-01', '2026-12-02', '2026-12-03', '2026-12-04'];
        self::assertSame($week, WorkingDays::before($monday, 5, '2026-01-01'));
        self::assertSame(array_slice($week, 3), WorkingDays::before($monday, 5, '2026-12-03'));
        self::assertSame([], WorkingDays::before($monday, 5, '2026-12-08'));
        self::assertSame('2026-12-04', WorkingDays::of('2026-12-06'));
        self::assertSame('2026-12-04', WorkingDays::of('2026-12-05'));
        self::assertSame('2026-12-07', WorkingDays::of('2026-12-07'));
    }

    /** @return iterable<string, array{float, float, float}> h on a day: least, most; h that are left */
    public static function crews(): iterable
    {
        yield 'that does much the same every day' => [9.0, 11.0, 300.0];
        yield 'that has good days and bad ones' => [0.0, 12.0, 400.0];
        yield 'of which half the days are lost' => [-6.0, 6.0, 120.0];
    }

    /** Played out day by day: four times of five it ends between the two days, as often before as after. */
    #[DataProvider('crews')]
    public function test_work_that_is_played_out_ends_when_it_is_said_to(float $least, float $most, float $left): void
    {
        $random = new Randomizer(new Mt19937(11));
        $today = new DateTimeImmutable('2026-12-07');
        $days = WorkingDays::before($today, 15, '2000-01-01');
        $hours = static fn (): float => max(0.0, self::number($random, $least, $most));
        // Of what is spread evenly the middles of fifteen equal parts have its mean, and nearly its spread: in any
        // order that does not begin with a day that is lost.
        $done = [];
        foreach ($days as $i => $day) {
            $done[$day] = max(0.0, $least + ($most - $least) * (($i * 7 + 10) % 15 + 0.5) / 15);
        }
        $outlook = Outlook::of($done, $left, $today);
        self::assertNotNull($outlook);
        $within = $early = $late = 0;
        for ($play = 0; $play < 2000; $play++) {
            for ($rest = $left, $count = 0; $rest > 0.0; $count++) {
                $rest -= $hours();
            }
            $end = WorkingDays::after($today, (float) $count);
            $early += (int) ($end < $outlook->early);
            $late += (int) ($end > $outlook->late);
            $within += (int) ($end >= $outlook->early && $end <= $outlook->late);
        }
        self::assertGreaterThan(0.76, $within / 2000);
        // Whole days are wider than the parts of days that they are made of: where it is sure within one, it is sure.
        self::assertLessThan($outlook->early->modify('+7 days') > $outlook->late ? 1.01 : 0.93, $within / 2000);
        self::assertLessThan(0.14, $early / 2000);
        self::assertLessThan(0.17, $late / 2000);
        self::assertGreaterThanOrEqual($outlook->early, $outlook->likely);
        self::assertGreaterThanOrEqual($outlook->likely, $outlook->late);
    }

    public function test_nothing_is_foreseen_of_too_few_days_of_none_or_of_years(): void
    {
        $today = new DateTimeImmutable('2026-12-07');
        $week = array_fill_keys(WorkingDays::before($today, 5, '2000-01-01'), 6.0);
        self::assertNotNull(Outlook::of($week, 60.0, $today));
        self::assertNull(Outlook::of(array_slice($week, 1), 60.0, $today));
        self::assertNull(Outlook::of($week, 0.0, $today));
        self::assertNull(Outlook::of([], 60.0, $today));
        self::assertNull(Outlook::of($week, 60.0, $today->modify('+40 days')), 'nothing in three weeks');
        self::assertNull(Outlook::of($week, 1e6, $today));
        // What is done on a Sunday counts, with Friday.
        $sunday = Outlook::of($week + ['2026-12-06' => 6.0], 60.0, $today);
        self::assertSame(36.0 / 5, $sunday?->pace->value);
    }

    public function test_what_is_left_falls_by_what_is_done_to_what_is_left_now(): void
    {
        $random = new Randomizer(new Mt19937(7));
        for ($try = 0; $try < 100; $try++) {
            $done = [];
            for ($i = 0; $i < $random->getInt(1, 40); $i++) {
                $day = sprintf('2026-%02d-%02d', $random->getInt(1, 12), $random->getInt(1, 28));
                $done[$day] = self::number($random, 0, 9);
            }
            $left = self::number($random, 0, 100);
            $days = DayLeft::over($done, $left);
            self::assertSame($left, $days[count($days) - 1]->left);
            self::assertEqualsWithDelta($left + array_sum($done), $days[0]->left, 1e-9);
            foreach (array_slice($days, 1) as $i => $day) {
                self::assertEqualsWithDelta($days[$i]->left - $day->done, $day->left, 1e-9);
                self::assertGreaterThan($days[$i]->day, $day->day);
            }
        }
        self::assertSame([], DayLeft::over([], 5.0));
    }
}
