<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Steps;

/**
 * Single steps that are kept apart change nothing of the order of the others, whatever clocks say: of random
 * histories, with clocks days apart and with records of the first version among them, in random order of arrival.
 */
final class StepsApartTest extends TestCase
{
    private const HISTORIES = 300;

    public function test_the_order_is_the_same_without_the_steps_that_nothing_was_done_on(): void
    {
        $moved = 0;
        for ($seed = 1; $seed <= self::HISTORIES; $seed++) {
            $random = new Randomizer(new Mt19937($seed));
            $all = self::history($random);
            [$kept, $apart] = self::parted($all);
            $whole = new Record($all);
            $part = new Record($random->shuffleArray($kept));
            self::assertSame(
                self::ids(array_filter($whole->events(), static fn (Event $event): bool => isset($kept[$event->id]))),
                self::ids($part->events()),
                'seed '.$seed,
            );
            $moved += count($apart);
            $split = new Record($random->shuffleArray($kept), self::steps($all));
            foreach (['R-1', 'R-2'] as $run) {
                self::assertSame($whole->hands($run), $split->hands($run), 'seed '.$seed);
                self::assertSame($whole->makers([$run]), $split->makers([$run]), 'seed '.$seed);
                self::assertSame($whole->isBegun($run), $split->isBegun($run), 'seed '.$seed);
                self::assertSame($whole->hasSteps([$run]), $split->hasSteps([$run]), 'seed '.$seed);
            }
            self::assertSame(
                self::ids($whole->together(['R-1', 'R-2'])),
                self::ids($split->closely(['R-1', 'R-2'])->together(['R-1', 'R-2'])),
                'seed '.$seed,
            );
        }
        self::assertGreaterThan(self::HISTORIES, $moved);
    }

    public function test_a_clock_that_is_behind_moves_its_own_event_and_no_other(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $early = self::event($random, EventKind::Cut, 'R-1', 100, []);
        $later = self::event($random, EventKind::Cut, 'R-2', 200, []);
        // Done on the later one, by a clock that says it was before both.
        $wrong = self::event($random, EventKind::Joined, 'R-2', 50, [$later->id], Side::A);
        foreach ([[$early, $later, $wrong], [$wrong, $later, $early]] as $arrived) {
            self::assertSame([$early->id, $later->id, $wrong->id], self::ids((new Record($arrived))->events()));
        }
    }

    public function test_what_would_be_its_own_cause_has_one_place_all_the_same(): void
    {
        $random = new Randomizer(new Mt19937(8));
        $one = self::event($random, EventKind::Cut, 'R-1', 100, []);
        $other = self::event($random, EventKind::Cut, 'R-1', 90, [$one->id]);
        $one = $one->doneOn([$other->id]);
        self::assertSame(
            self::ids((new Record([$one, $other]))->events()),
            self::ids((new Record([$other, $one]))->events()),
        );
    }

    /** @return array<int|string, Event> by id */
    private static function history(Randomizer $random): array
    {
        $all = [];
        $out = [0, $random->getInt(-200_000, 200_000), $random->getInt(-200_000, 200_000)];
        for ($i = 0, $length = $random->getInt(5, 40); $i < $length; $i++) {
            $kind = [
                EventKind::Cut,
                EventKind::Prepared,
                EventKind::ContactJoined,
                EventKind::Closed,
                EventKind::Joined,
                EventKind::Reworked,
                EventKind::SlidOn,
                EventKind::Labelled,
            ][$random->getInt(0, 7)];
            $device = $random->getInt(0, 2);
            $on =
                $all === [] || $random->getInt(0, 2) === 0
                    ? []
                    : array_map(strval(...), $random->pickArrayKeys($all, $random->getInt(1, min(2, count($all)))));
            $isStep = in_array($kind, EventKind::ofSteps(), true) && $random->getInt(0, 5) > 0;
            $event = self::event(
                $random,
                $kind,
                'R-'.$random->getInt(1, 2),
                $i * 600 + $out[$device],
                $random->getInt(0, 9) === 0 ? null : $on,
                $random->getInt(0, 1) === 0 ? Side::A : Side::B,
                $isStep ? 'step '.$random->getInt(0, 3) : '',
                'person '.$device,
            );
            $all[$event->id] = $event;
        }

        return $all;
    }

    /**
     * @param  array<int|string, Event>  $all
     * @return array{array<int|string, Event>, array<int|string, Event>} those that are read, and those that are kept
     *     apart
     */
    private static function parted(array $all): array
    {
        $isApart = static fn (Event $event): bool => $event->step !== '' &&
            in_array($event->kind, EventKind::ofSteps(), true);
        $kept = array_filter($all, static fn (Event $event): bool => ! $isApart($event));
        do {
            $before = count($kept);
            foreach ($kept as $event) {
                $kept += array_intersect_key($all, array_flip($event->on ?? []));
            }
        } while (count($kept) > $before);

        return [$kept, array_filter($all, $isApart)];
    }

    /** @param  array<int|string, Event>  $all */
    private static function steps(array $all): Steps
    {
        return new class($all) implements Steps
        {
            /** @param  array<int|string, Event>  $all */
            public function __construct(private array $all)
            {
            }

            public function with(array $runs): array
            {
                return array_values(
                    array_filter($this->all, static fn (Event $event): bool => in_array($event->run, $runs, true)),
                );
            }

            /** @return list<Event> */
            private function of(string $run): array
            {
                return array_values(
                    array_filter(
                        $this->all,
                        static fn (Event $event): bool => $event->run === $run &&
                            $event->step !== '' &&
                            in_array($event->kind, EventKind::ofSteps(), true),
                    ),
                );
            }

            public function hands(string $run): array
            {
                return array_map(static fn (Event $event): string => $event->by, $this->of($run));
            }

            public function makers(string $run): array
            {
                return array_values(
                    array_map(
                        static fn (Event $event): string => $event->by,
                        array_filter(
                            $this->of($run),
                            static fn (Event $event): bool => $event->kind === EventKind::ContactJoined,
                        ),
                    ),
                );
            }

            public function outermost(string $run): array
            {
                $steps = array_map(static fn (Event $event): string => $event->step, $this->of($run));
                sort($steps);

                return $steps === [] ? [] : array_values(array_unique([$steps[0], $steps[count($steps) - 1]]));
            }
        };
    }

    /** @param  ?list<string>  $on */
    private static function event(
        Randomizer $random,
        EventKind $kind,
        string $run,
        int $seconds,
        ?array $on,
        ?Side $side = null,
        string $step = '',
        string $by = 'somebody',
    ): Event {
        $hex = bin2hex($random->getBytes(16));
        $id = implode('-', sscanf($hex, '%8s%4s%4s%4s%12s') ?? []);
        $at = gmdate('Y-m-d\TH:i:s', 1_760_000_000 + $seconds).'.000000Z';

        return new Event($id, $kind, $run, $side, $by, $at, $at, '', step: $step, on: $on);
    }

    /**
     * @param  array<int|string, Event>  $events
     * @return list<string>
     */
    private static function ids(array $events): array
    {
        return array_values(array_map(static fn (Event $event): string => $event->id, $events));
    }
}
