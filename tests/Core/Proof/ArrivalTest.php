<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Plan\Planning\Strand;
use Sartal\Core\Proof\Record\Doubt;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Order;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\TestTaken;
use Sartal\Core\Proof\Testing\Reading;
use Sartal\Core\Proof\Testing\Verdict;
use Tests\Support\Bench;

/**
 * Causes before clocks. Histories are made by people with devices of which some are far out and some hear nothing for
 * a while; what really happened is known here and nowhere in the records but by what each was done on.
 */
final class ArrivalTest extends TestCase
{
    private const HISTORIES = 1000;

    private const ORDERS = 10;

    private static ?Bench $bench = null;

    private static ?Fingerprints $today = null;

    private static function today(): Fingerprints
    {
        self::$bench ??= Bench::microphone();

        return self::$today ??= self::$bench->plan()->reliedOn('A-1');
    }

    /** @param  ?list<string>  $on */
    private static function event(
        Randomizer $random,
        EventKind $kind,
        string $at,
        ?array $on,
        ?Side $side = null,
        string $by = 'somebody',
        int $skew = 0,
        ?Verdict $verdict = null,
        ?string $received = null,
    ): Event {
        $hex = bin2hex($random->getBytes(16));
        $id = sprintf(
            '%s-%s-%s-%s-%s',
            substr($hex, 0, 8),
            substr($hex, 8, 4),
            substr($hex, 12, 4),
            substr($hex, 16, 4),
            substr($hex, 20, 12),
        );
        $says = $verdict === null ? self::says($kind, $side) : new TestTaken(new Reading([], null), $verdict);
        $relied = self::today()->for($kind, $side);

        return new Event(
            $id,
            $kind,
            'A-1',
            $side,
            $by,
            $at,
            $received ?? $at,
            $relied,
            says: $says,
            on: $on,
            skew: $skew,
        );
    }

    private static function says(EventKind $kind, ?Side $side): ?Particulars
    {
        return $kind === EventKind::Joined || $kind === EventKind::Cut ? self::today()->says($kind, $side) : null;
    }

    private static function clock(int $seconds): string
    {
        return gmdate('Y-m-d\TH:i:s', 1_760_000_000 + $seconds).'.000000Z';
    }

    /**
     * What happened, and what must stand after it.
     *
     * @return array{list<Event>, bool, bool} events in the order in which they were done; whether it is tested; whether
     *     both ends are made on the piece that there is
     */
    private static function history(Randomizer $random): array
    {
        $out = array_map(static fn (): int => $random->getInt(-200_000, 200_000), range(0, 3));
        /** @var list<list<string>> $heard ids that each device knows of */
        $heard = [[], [], [], []];
        $all = $events = $last = [];
        $tested = false;
        // An end that was written down before any piece was is one of the piece that is written down next.
        $ends = ['A' => '', 'B' => ''];
        $pieces = 0;
        $length = $random->getInt(3, 14);
        for ($i = 0; $i < $length; $i++) {
            $who = $random->getInt(0, 3);
            $at = self::clock($i * 600 + $out[$who]);
            // Whoever makes something has it before them, and their device has heard of all that was done to it.
            // Nobody tests what nothing is known of.
            $makes = $i === 0 || $random->getInt(0, 99) < 55;
            if ($makes || $heard[$who] === [] || $random->getInt(0, 99) < 60) {
                $heard[$who] = $all;
            }
            $device = 'device '.$who;
            if (! $makes) {
                $event = self::event(
                    $random,
                    EventKind::Tested,
                    $at,
                    $heard[$who],
                    null,
                    $device,
                    verdict: Verdict::Passes,
                );
                $tested = $tested || array_diff(array_values($last), $heard[$who]) === [];
            } else {
                $kind = [EventKind::Cut, EventKind::Joined, EventKind::Joined, EventKind::Remade][
                    $random->getInt(0, 3)
                ];
                $side = $kind === EventKind::Cut ? null : ($random->getInt(0, 1) === 0 ? Side::A : Side::B);
                $event = self::event($random, $kind, $at, $heard[$who], $side, $device);
                $last[$kind === EventKind::Cut ? 'piece' : $side?->value] = $event->id;
                $isFirst = $pieces === 0;
                $pieces += $kind === EventKind::Cut ? 1 : 0;
                $ends =
                    $kind === EventKind::Cut
                        ? array_map(static fn (string $on): string => $isFirst && $on === 'none' ? 'none' : '', $ends)
                        : [$side?->value => $pieces > 0 ? 'piece' : 'none'] + $ends;
                $tested = false;
            }
            $events[] = $event;
            $all[] = $event->id;
            $heard[$who][] = $event->id;
        }

        return [$events, $tested, $ends['A'] !== '' && $ends['B'] !== ''];
    }

    public function test_any_order_of_arrival_gives_one_standing_and_it_is_what_happened(): void
    {
        $random = new Randomizer(new Mt19937(20261127));
        $done = ['tested' => 0, 'made' => 0];
        for ($i = 0; $i < self::HISTORIES; $i++) {
            [$events, $tested, $made] = self::history($random);
            for ($j = 0; $j < self::ORDERS; $j++) {
                // Each is received when it arrives, whenever it was done.
                $arrived = [];
                foreach ($random->shuffleArray($events) as $k => $event) {
                    $arrived[] = new Event(...['received' => self::clock(9_000_000 + $k)] + get_object_vars($event));
                }
                $beads = [];
                foreach (Strand::read(self::cable(), (new Record($arrived))->of('A-1'), self::today()) as $bead) {
                    $beads[$bead->stage->value] = $bead->state;
                }
                $words = sprintf('history %d, arrival %d', $i, $j);
                self::assertSame($tested, $beads[Stage::Test->value] === BeadState::Done, $words);
                self::assertSame(
                    $made,
                    $beads[Stage::EndA->value] === BeadState::Done && $beads[Stage::EndB->value] === BeadState::Done,
                    $words,
                );
            }
            $done['tested'] += $tested ? 1 : 0;
            $done['made'] += $made ? 1 : 0;
        }
        self::assertGreaterThan(200, $done['tested']);
        self::assertLessThan(800, $done['tested']);
        self::assertGreaterThan(100, $done['made']);
    }

    private static function cable(): \Sartal\Core\Given\Installation\Run
    {
        self::today();

        return self::$bench?->installation->runs()['A-1'] ?? throw new \LogicException('There is no run.');
    }

    public function test_what_says_nothing_of_what_it_was_done_on_goes_by_its_clock(): void
    {
        $random = new Randomizer(new Mt19937(1));
        $cut = self::event($random, EventKind::Cut, self::clock(0), []);
        $pass = self::event($random, EventKind::Tested, self::clock(600), [], verdict: Verdict::Passes);
        $anew = self::event($random, EventKind::Cut, self::clock(1200), []);
        $state = static fn (Event ...$events): string => self::bead(Stage::Test, ...$events)->value;
        // The pass arrives last, as from a phone that was without a network.
        self::assertSame('to-do', $state($cut, $anew, $pass));
        self::assertSame('to-do', $state($pass, $cut, $anew));
        self::assertSame('done', $state($cut, $pass));
    }

    private static function bead(Stage $stage, Event ...$events): BeadState
    {
        foreach (Strand::read(self::cable(), (new Record($events))->of('A-1'), self::today()) as $bead) {
            if ($bead->stage === $stage) {
                return $bead->state;
            }
        }
        throw new \LogicException('There is no such bead.');
    }

    /** @return iterable<string, array{int, int, string}> */
    public static function clocks(): iterable
    {
        yield 'right' => [0, 0, ''];
        yield 'a minute ahead' => [60, 0, ''];
        yield 'an hour ahead' => [3600, 0, 'ahead'];
        yield 'an hour ahead, and said so' => [3600, -3600, ''];
        yield 'a day behind' => [-86_400, 0, 'behind'];
        yield 'a day behind, and said so' => [-86_400, 86_400, ''];
    }

    #[DataProvider('clocks')]
    public function test_a_clock_that_is_out_is_kept_and_doubted_unless_it_was_compared(
        int $out,
        int $skew,
        string $doubt,
    ): void {
        $random = new Randomizer(new Mt19937(2));
        $cut = self::event($random, EventKind::Cut, self::clock(0), []);
        $on = [$cut->id];
        $pass = self::event(
            $random,
            EventKind::Tested,
            self::clock(900 + $out),
            $on,
            skew: $skew,
            verdict: Verdict::Passes,
            received: self::clock(900),
        );
        $record = new Record([$pass, $cut]);
        self::assertSame(
            [$cut->id, $pass->id],
            array_map(static fn (Event $event): string => $event->id, $record->events()),
        );
        self::assertSame($doubt === '', Doubt::of($pass, $record) === '');
        self::assertStringContainsString($doubt, Doubt::of($pass, $record));
        self::assertSame(BeadState::Done, self::bead(Stage::Test, $pass, $cut));
    }

    public function test_records_of_earlier_versions_stand_as_they_always_did(): void
    {
        $random = new Randomizer(new Mt19937(3));
        $old = [
            self::event($random, EventKind::Tested, self::clock(900), null, verdict: Verdict::Passes),
            self::event($random, EventKind::Cut, self::clock(100), null),
            self::event($random, EventKind::Cut, self::clock(500), null),
        ];
        self::assertSame($old, Order::of($old));
        self::assertSame($old, (new Record($old))->events());
        self::assertSame('', Doubt::of($old[0], new Record($old)));
    }

    public function test_what_names_itself_or_each_other_as_its_cause_ends(): void
    {
        $random = new Randomizer(new Mt19937(4));
        $a = self::event($random, EventKind::Cut, self::clock(0), []);
        $b = new Event(
            ...['on' => [$a->id]] + get_object_vars(self::event($random, EventKind::Labelled, self::clock(1), [])),
        );
        $a = new Event(...['on' => [$a->id, $b->id]] + get_object_vars($a));
        self::assertCount(2, (new Record([$a, $b]))->events());
    }
}
