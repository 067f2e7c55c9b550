<?php

declare(strict_types=1);

namespace Tests\Core\Work;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Measure\Ascending;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\TimeBook;
use Sartal\Core\Work\Forecasting\Booking;
use Sartal\Core\Work\Forecasting\Chore;
use Sartal\Core\Work\Forecasting\Floor;
use Sartal\Core\Work\Forecasting\Forecast;
use Sartal\Core\Work\Forecasting\Forecaster;
use Sartal\Core\Work\Forecasting\Hand;

/** When the work will be done: never earlier than it can be, and not much later than it must. */
final class ForecastTest extends TestCase
{
    /** @return array{list<Chore>, list<Hand>, array<string, int>, int} */
    private static function drawn(int $seed, int $most): array
    {
        $random = new Randomizer(new Mt19937($seed));
        $skills = [Skill::Solder, Skill::Crimp, Skill::Coax];
        $hands = [];
        for ($i = 0, $count = $random->getInt(1, 3); $i < $count; $i++) {
            $hands[] = new Hand(
                'h'.$i,
                array_values(array_filter($skills, static fn (): bool => $random->getInt(0, 2) > 0)),
            );
        }
        $chores = [];
        for ($i = 0, $count = $random->getInt(2, $most); $i < $count; $i++) {
            $after =
                $i === 0
                    ? []
                    : array_values(
                        array_filter(
                            array_map(static fn (int $j): string => 'c'.$j, range(0, $i - 1)),
                            static fn (): bool => $random->getInt(0, 3) === 0,
                        ),
                    );
            $chores[] = new Chore(
                'c'.$i,
                (float) $random->getInt(1, 20),
                $random->getInt(0, 1) === 0 ? null : $skills[$random->getInt(0, 2)],
                $random->getInt(0, 3) === 0 ? ['die'] : [],
                $after,
                $random->getInt(0, 4) === 0 ? (float) $random->getInt(1, 5) : 0.0,
            );
        }

        return [$chores, $hands, ['die' => 1], $random->getInt(0, 2)];
    }

    /**
     * Nobody and nothing is in two places, nobody does what they cannot, everything waits for what it needs.
     *
     * @param  list<Chore>  $chores
     * @param  list<Hand>  $hands
     * @param  array<string, int>  $tools
     */
    private static function assertPossible(
        Forecast $forecast,
        array $chores,
        array $hands,
        array $tools,
        int $benches,
    ): void {
        $byId = array_combine(
            array_map(static fn (Booking $booking): string => $booking->chore->id, $forecast->bookings),
            $forecast->bookings,
        );
        self::assertCount(count($chores), [...$forecast->bookings, ...$forecast->stuck]);
        $able = array_column($hands, null, 'id');
        foreach ($forecast->bookings as $booking) {
            self::assertTrue($able[$booking->hand]->can($booking->chore));
            self::assertEqualsWithDelta($booking->chore->minutes, $booking->to - $booking->from, 1e-6);
            foreach ($booking->chore->after as $before) {
                self::assertGreaterThanOrEqual($byId[$before]->to + $byId[$before]->chore->wait - 1e-6, $booking->from);
            }
            $beside = array_filter(
                $forecast->bookings,
                static fn (Booking $other): bool => $other->from <= $booking->from + 1e-6 &&
                    $other->to > $booking->from + 1e-6,
            );
            self::assertLessThanOrEqual(
                1,
                count(array_filter($beside, static fn (Booking $other): bool => $other->hand === $booking->hand)),
            );
            foreach ($tools as $tool => $count) {
                self::assertLessThanOrEqual(
                    $count,
                    count(
                        array_filter(
                            $beside,
                            static fn (Booking $other): bool => in_array($tool, $other->chore->tools, true),
                        ),
                    ),
                );
            }
            self::assertTrue($benches === 0 || count($beside) <= $benches);
        }
    }

    /** max(work ÷ people per skill, critical path), worked out here once more. */
    private static function floor(Forecast $forecast, array $hands): float
    {
        $work = $tail = [];
        foreach ($forecast->bookings as $booking) {
            $work[$booking->chore->skill->value ?? ''] =
                ($work[$booking->chore->skill->value ?? ''] ?? 0.0) + $booking->chore->minutes;
        }
        $least = array_sum($work) / count($hands);
        foreach ($work as $skill => $minutes) {
            $able = count(
                array_filter(
                    $hands,
                    static fn (Hand $hand): bool => $skill === '' || in_array(Skill::from($skill), $hand->skills, true),
                ),
            );
            $least = max($least, $minutes / max(1, $able));
        }
        foreach ($forecast->bookings as $booking) {
            $before = array_map(static fn (string $id): float => $tail[$id] ?? 0.0, $booking->chore->after);
            $tail[$booking->chore->id] = max([0.0, ...$before]) + $booking->chore->minutes + $booking->chore->wait;
            $least = max($least, $tail[$booking->chore->id] - $booking->chore->wait);
        }

        return $least;
    }

    public function test_it_is_never_better_than_it_can_be(): void
    {
        for ($seed = 1; $seed <= 200; $seed++) {
            [$chores, $hands, $tools, $benches] = self::drawn($seed, 40);
            $forecast = (new Forecaster($hands, $tools, $benches))->forecast($chores);
            self::assertPossible($forecast, $chores, $hands, $tools, $benches);
            self::assertGreaterThanOrEqual(self::floor($forecast, $hands) - 1e-6, $forecast->minutes, 'seed '.$seed);
            self::assertGreaterThanOrEqual(
                ($forecast->bottleneck()->minutes ?? 0.0) - 1e-6,
                $forecast->minutes,
                'seed '.$seed,
            );
        }
    }

    /**
     * Against every order and every choice of hands, by exhaustive search: mean at most 10 % over, worst at most 25 %.
     */
    public function test_small_cases_come_close_to_the_best_there_is(): void
    {
        $over = [];
        for ($seed = 1000; count($over) < 50; $seed++) {
            [$chores, $hands, $tools, $benches] = self::drawn($seed, 8);
            $forecast = (new Forecaster($hands, $tools, $benches))->forecast($chores);
            $able = array_map(static fn (Booking $booking): Chore => $booking->chore, $forecast->bookings);
            if (count($able) < 4) {
                continue;
            }
            $best = self::exhaustive($able, $hands, $benches, $forecast->minutes);
            $over[] = $forecast->minutes / $best - 1;
        }
        self::assertLessThanOrEqual(0.1, array_sum($over) / count($over));
        self::assertLessThanOrEqual(0.25, max($over));
    }

    /**
     * The shortest there is: chores are appended one by one, in every order, to every hand that can.
     *
     * @param  list<Chore>  $chores
     * @param  list<Hand>  $hands
     */
    private static function exhaustive(array $chores, array $hands, int $benches, float $best): float
    {
        $search = static function (array $left, array $done, array $free, float $die, array $bench, float $end) use (
            &$search,
            &$best,
            $hands,
        ): void {
            if ($left === []) {
                $best = min($best, $end);

                return;
            }
            foreach ($left as $key => $chore) {
                if (array_diff($chore->after, array_keys($done)) !== []) {
                    continue;
                }
                $ready = max([0.0, ...array_map(static fn (string $id): float => $done[$id], $chore->after)]);
                foreach ($hands as $hand) {
                    if (! $hand->can($chore)) {
                        continue;
                    }
                    sort($bench);
                    $from = max($ready, $free[$hand->id], $chore->tools === [] ? 0.0 : $die, $bench[0] ?? 0.0);
                    $to = $from + $chore->minutes;
                    if ($to >= $best - 1e-9) {
                        continue;
                    }
                    $rest = $left;
                    unset($rest[$key]);
                    $search(
                        $rest,
                        $done + [$chore->id => $to + $chore->wait],
                        [$hand->id => $to] + $free,
                        $chore->tools === [] ? $die : $to,
                        $bench === [] ? [] : [$to, ...array_slice($bench, 1)],
                        max($end, $to),
                    );
                }
            }
        };
        $search(
            $chores,
            [],
            array_fill_keys(array_map(static fn (Hand $hand): string => $hand->id, $hands), 0.0),
            0.0,
            array_fill(0, $benches, 0.0),
            0.0,
        );

        return $best;
    }

    public function test_who_can_do_what_nobody_else_can_is_kept_for_it(): void
    {
        $all = new Hand('all', [Skill::Solder, Skill::Coax]);
        $solder = new Hand('solder', [Skill::Solder]);
        $forecast = (new Forecaster([$all, $solder]))->forecast([
            new Chore('a', 10, Skill::Solder),
            new Chore('b', 10, Skill::Coax),
        ]);
        self::assertSame(10.0, $forecast->minutes);
    }

    public function test_one_die_and_few_benches_hold_things_up_and_are_named(): void
    {
        $hands = array_map(static fn (int $n): Hand => new Hand('h'.$n, [Skill::Crimp]), range(1, 4));
        $chores = array_map(
            static fn (int $n): Chore => new Chore('c'.$n, 10, Skill::Crimp, ['the die']),
            range(1, 4),
        );
        $one = (new Forecaster($hands, ['the die' => 1]))->forecast($chores);
        self::assertSame(40.0, $one->minutes);
        self::assertStringContainsString('the die', $one->bottleneck()->words ?? '');
        self::assertSame(20.0, (new Forecaster($hands, ['the die' => 2]))->forecast($chores)->minutes);
        $benches = (new Forecaster($hands, [], 2))->forecast(
            array_map(static fn (int $n): Chore => new Chore('c'.$n, 10), range(1, 4)),
        );
        self::assertSame(20.0, $benches->minutes);
        self::assertStringContainsString('2 benches', $benches->bottleneck()->words ?? '');
    }

    public function test_what_nobody_can_do_is_said_and_what_waits_for_it(): void
    {
        $forecast = (new Forecaster([new Hand('h', [Skill::Solder])]))->forecast([
            new Chore('a', 5, Skill::Mains),
            new Chore('b', 5, null, [], ['a']),
            new Chore('c', 5),
        ]);
        self::assertSame(['a', 'b'], array_map(static fn (Chore $chore): string => $chore->id, $forecast->stuck));
        self::assertSame(5.0, $forecast->minutes);
        self::assertSame(
            [0.0, []],
            [(new Forecaster([]))->forecast([])->minutes, (new Forecaster([]))->forecast([])->bookings],
        );
    }

    public function test_one_who_works_alone_is_no_people(): void
    {
        $work = [new Chore('a', 5.0), new Chore('b', 5.0)];
        $words = static fn (Hand ...$hands): array => array_map(
            static fn (Floor $floor): string => $floor->words,
            (new Forecaster(array_values($hands)))->forecast($work)->bounds,
        );
        self::assertContains('all the work for one person', $words(new Hand('x', [])));
        self::assertContains('all the work for 2 people', $words(new Hand('x', []), new Hand('y', [])));
    }

    public function test_what_was_given_to_somebody_is_done_by_them(): void
    {
        $forecast = (new Forecaster([new Hand('one', []), new Hand('other', [])]))->forecast(
            array_map(static fn (int $n): Chore => new Chore('c'.$n, 10, only: ['other']), [1, 2]),
        );
        self::assertSame(20.0, $forecast->minutes);
    }

    public function test_the_crews_own_times_count_once_there_are_enough(): void
    {
        $standard = Pace::Crimp->minutes();
        self::assertSame($standard, (new TimeBook())->minutes(Pace::Crimp));
        $few = new TimeBook(['crimp' => Ascending::of([1.0, 1.0, 1.0, 1.0])]);
        self::assertSame($standard, $few->minutes(Pace::Crimp));
        $book = new TimeBook(['crimp' => Ascending::of([9.0, 0.5, 0.6, 0.4, 0.55])]);
        self::assertSame(0.55, $book->minutes(Pace::Crimp), 'one long break does not spoil it');
        self::assertTrue($book->isMeasured(Pace::Crimp));
        self::assertStringContainsString('the middle one of 5', $book->figure(Pace::Crimp)->terms[1]->detail);
    }

    public function test_a_single_bench_is_named_as_what_holds_things_up(): void
    {
        $hands = [new Hand('one', [Skill::Crimp]), new Hand('two', [Skill::Crimp])];
        $chores = array_map(static fn (int $n): Chore => new Chore('c'.$n, 10, Skill::Crimp), range(1, 3));
        $words = static fn (int $benches): array => array_map(
            static fn (Floor $floor): string => $floor->words,
            (new Forecaster($hands, [], $benches))->forecast($chores)->bounds,
        );
        self::assertContains('1 bench', $words(1));
        self::assertContains('2 benches', $words(2));
        self::assertSame([], preg_grep('/bench/', $words(0)), 'benches enough');
        self::assertSame(30.0, (new Forecaster($hands, [], 1))->forecast($chores)->minutes);
    }

    /**
     * What waits for itself is said to be stuck, with what waits for it, and never dropped. Which those are is found
     * here by walking: whoever comes by the same chore again goes round in a circle.
     */
    public function test_work_that_waits_for_itself_is_stuck_and_never_dropped(): void
    {
        $circles = 0;
        for ($seed = 0; $seed < 1000; $seed++) {
            $random = new Randomizer(new Mt19937(70_000 + $seed));
            $count = $random->getInt(1, 9);
            $after = [];
            for ($i = 0; $i < $count; $i++) {
                $after['c'.$i] = [];
                for ($n = $random->getInt(0, 2); $n > 0; $n--) {
                    $after['c'.$i][] = 'c'.$random->getInt(0, $count - 1);
                }
            }
            $goesRound = static function (string $id, array $path) use (&$goesRound, $after): bool {
                foreach ($after[$id] as $needed) {
                    if (in_array($needed, [...$path, $id], true) || $goesRound($needed, [...$path, $id])) {
                        return true;
                    }
                }

                return false;
            };
            $stuck = array_values(
                array_filter(array_keys($after), static fn (string $id): bool => $goesRound($id, [])),
            );
            $chores = array_map(
                static fn (string $id): Chore => new Chore($id, 5.0, after: $after[$id]),
                array_keys($after),
            );
            $forecast = (new Forecaster([new Hand('h', [])]))->forecast($chores);
            $named = array_map(static fn (Chore $chore): string => $chore->id, $forecast->stuck);
            $booked = array_map(static fn (Booking $booking): string => $booking->chore->id, $forecast->bookings);
            self::assertEqualsCanonicalizing($stuck, $named, (string) $seed);
            self::assertEqualsCanonicalizing(array_keys($after), [...$named, ...$booked], (string) $seed);
            $circles += (int) ($stuck !== []);
        }
        self::assertGreaterThan(400, $circles);
        self::assertLessThan(900, $circles);
    }
}
