<?php

declare(strict_types=1);

namespace Tests\Core\Proof;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Installation\Instrument;
use Sartal\Core\Given\Installation\InstrumentKind;
use Sartal\Core\Plan\Checks\Instruments;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Tests\Support\Bench;

/** Instruments in a record: by ids, whatever they are called since. */
final class InstrumentsTest extends TestCase
{
    private static function crews(Instrument ...$instruments): Instruments
    {
        $byId = array_column($instruments, null, 'id');

        return new Instruments(Bench::microphone()->with(instruments: $byId)->installation);
    }

    /** @param  list<string>  $with */
    private static function tested(string $named, array $with): Event
    {
        $at = '2026-03-09T08:00:00.000000Z';

        return new Event(
            '00000000-0000-4000-8000-000000000001',
            EventKind::Tested,
            'A-1',
            null,
            'somebody',
            $at,
            $at,
            '',
            $named,
            with: $with,
        );
    }

    /** @return iterable<string, array{string, list<string>, list<string>, string}> → ids, names of today */
    public static function records(): iterable
    {
        yield 'of an earlier version, by its name of today' => ['Meter', [], ['m'], 'Meter'];
        yield 'of an earlier version, by its id' => ['m', [], ['m'], 'm'];
        yield 'of an earlier version, by a name that is gone' => ['Old meter', [], [], 'Old meter'];
        yield 'by its id' => ['Old meter', ['m'], ['m'], 'Meter'];
        yield 'two, one borrowed' => ['Old meter, theirs', ['m', ''], ['m'], 'Meter, theirs'];
        yield 'one that is gone' => ['Old meter', ['gone'], [], 'Old meter'];
        yield 'one whose name another has now' => ['Tester', ['m'], ['m'], 'Meter'];
        yield 'none' => ['', [], [], ''];
    }

    /**
     * @param  list<string>  $with
     * @param  list<string>  $ids
     */
    #[DataProvider('records')]
    public function test_what_it_was_taken_with(string $named, array $with, array $ids, string $today): void
    {
        $crews = self::crews(
            new Instrument('m', 'Meter', InstrumentKind::cases()[0]),
            new Instrument('t', 'Tester', InstrumentKind::cases()[0]),
        );
        $event = self::tested($named, $with);
        self::assertSame($ids, array_map(static fn (Instrument $each): string => $each->id, $crews->of($event)));
        self::assertSame($today, $crews->named($event));
    }

    public function test_a_name_comes_before_an_id_of_another(): void
    {
        $crews = self::crews(
            new Instrument('a', 'b', InstrumentKind::cases()[0]),
            new Instrument('b', 'a', InstrumentKind::cases()[0]),
        );
        self::assertSame(['b', 'a', ''], $crews->ids('a, b, c'));
        self::assertSame([], $crews->ids(''));
    }
}
