<?php

declare(strict_types=1);

namespace Tests\Core\Plan\Joining;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\HandJoint;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\MainsEnds;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Gestures\EarthDrain;
use Sartal\Core\Plan\Joining\Gestures\JoinByHand;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;
use Tests\Support\Bench;

/** The drain of mains under one screw with protective earth. Common practice; local code is above it. */
final class EarthDrainTest extends TestCase
{
    /** @param  string  $kind  of the connectors: "-two" lets two conductors in at its earth */
    private static function bench(string $kind = '-two', string $cable = 'composite-screened'): Bench
    {
        return Bench::of(
            Bench::request(
                'P-1',
                $cable,
                ['mains', 'analogue'],
                [sprintf('power-out-cable%s-mains', $kind), 'xlr3-female-cable-balanced'],
                [sprintf('power-in-cable%s-mains', $kind), 'xlr3-male-cable-balanced'],
            ),
        );
    }

    private static function drawn(Installation $in, Gesture $gesture): Installation
    {
        $sketch = new Sketch($in);
        $gesture->draw($sketch);

        return $sketch->drawn()->in;
    }

    /** @return list<string> what the plan says about drains and contacts */
    private static function found(Installation $in, Bench $bench): array
    {
        $codes = Bench::codes($bench->with(runs: $in->runs(), fittings: $in->fittings())->plan()->findings());

        return array_values(array_filter(
            $codes,
            static fn (string $code): bool => preg_match('/^(drain|contact|function)\./', $code) === 1,
        ));
    }

    /** @return array<string, array{string, string}> side → where the drain goes, and as what */
    private static function drains(Installation $in): array
    {
        $run = $in->theRun('P-1');
        $list = [];
        foreach (Side::cases() as $side) {
            $joints = PinoutMaker::make($in, $run, $side, $in->catalogue->theCable($run->cable))->joints;
            foreach ($joints as $joint) {
                if ($joint->conductor === 'mains/drain') {
                    $list[$side->value] = [Node::place($joint->to)?->text() ?? '', $joint->function];
                }
            }
        }

        return $list;
    }

    private static function joined(Installation $in, Side $side, string $to): Installation
    {
        $run = $in->theRun('P-1');

        return $in->withRun($run->withEnd(
            $side,
            $run->end($side)->joinedByHand('mains/drain', new HandJoint('mains/drain', $to, 'tried')),
        ));
    }

    public function test_it_goes_with_protective_earth_at_both_ends_in_one_go(): void
    {
        $bench = self::bench();
        self::assertSame(['drain.open'], self::found($bench->installation, $bench), 'It is asked about before.');
        $in = self::drawn($bench->installation, new EarthDrain('P-1'));
        self::assertSame(['A' => ['P-1.a1/PE', 'earth'], 'B' => ['P-1.b1/PE', 'earth']], self::drains($in));
        self::assertSame([], self::found($in, $bench));
        // Two conductors from earth to earth: the meter reads them in parallel, and what it reads is as expected.
        $expectation = $bench->with(runs: $in->runs())->expectation();
        $between = array_filter(
            $expectation->wiring->at('t:P-1.a1/PE'),
            static fn ($edge): bool => str_starts_with($edge->id, 'j:'),
        );
        self::assertCount(2, $between);
    }

    /** @return iterable<string, array{Installation, string}> */
    public static function refusals(): iterable
    {
        $two = self::bench();
        yield 'nobody has stated what the terminal takes' => [
            self::bench('')->installation,
            'Nobody has stated how many conductors contact PE of P-1 A 1 takes, and not known means no.',
        ];
        yield 'the maker lets one in' => [
            $two->withCatalogueEdited(['connectors.power-in-cable-two.cavities.2.wires' => 1])->installation,
            'Contact PE of P-1 B 1 takes one conductor.',
        ];
        yield 'no ferrule is rated for both' => [
            $two->withCatalogueEdited(['parts.bootlace-twin-1-5.wires' => 3])->installation,
            'No ferrule of the catalogue is rated for 1.5 mm2 and 0.75 mm2 together.',
        ];
        yield 'the drain is thinner than the ferrule is rated for' => [
            $two->withCatalogueEdited(['parts.bootlace-twin-1-5.gauge' => ['1 mm2', '1.5 mm2']])->installation,
            'No ferrule of the catalogue is rated for',
        ];
        // 1.5 and 1.5 mm² are 3 mm²; 13 AWG is 2.62 mm² (ASTM B258).
        yield 'together they are too thick' => [
            $two->withCatalogueEdited([
                'cables.composite-screened.construction.children.0.children.3.gauge' => '1.5 mm2',
            ])->installation,
            'Earth and drain are 3.00 mm² together',
        ];
        foreach ([MainsEnds::Bare, MainsEnds::Tinned] as $finish) {
            yield 'the house has '.$finish->value => [
                $two->with(rules: $two->installation->rules()->with($finish))->installation,
                'Two under one screw want one ferrule',
            ];
        }
        yield 'a cable without a drain' => [
            self::bench('-two', 'composite')->installation,
            'This cable has no mains element with a drain.',
        ];
    }

    #[DataProvider('refusals')]
    public function test_what_is_not_allowed_or_not_known_is_refused_in_words(Installation $in, string $words): void
    {
        try {
            self::drawn($in, new EarthDrain('P-1'));
            self::fail('It was not refused.');
        } catch (CannotJoin $cannot) {
            self::assertStringContainsString($words, $cannot->getMessage());
        }
    }

    /** However it got there, by a file or a spreadsheet: the plan says the same. */
    public function test_what_the_gesture_refuses_the_plan_stops(): void
    {
        $bench = self::bench('');
        $both = self::joined(
            self::joined($bench->installation, Side::A, 'P-1.a1/PE'),
            Side::B,
            'P-1.b1/PE',
        );
        self::assertSame(['drain.with-earth', 'drain.with-earth'], self::found($both, $bench));
    }

    public function test_both_ends_are_in_the_same_manner(): void
    {
        $bench = self::bench();
        self::assertSame(
            ['drain.one-end'],
            self::found(self::joined($bench->installation, Side::A, 'P-1.a1/PE'), $bench),
        );
        $off = self::drawn($bench->installation, new EarthDrain('P-1', 'cut off'));
        self::assertSame([], self::drains($off));
        self::assertSame([], self::found($off, $bench));
        // Taken back up from there.
        self::assertSame(
            ['A' => ['P-1.a1/PE', 'earth'], 'B' => ['P-1.b1/PE', 'earth']],
            self::drains(self::drawn($off, new EarthDrain('P-1'))),
        );
    }

    public function test_it_goes_nowhere_else(): void
    {
        $bench = self::bench();
        $in = self::joined(
            self::joined($bench->installation, Side::A, 'P-1.a1/N'),
            Side::B,
            'P-1.b1/N',
        );
        self::assertContains('drain.not-earth', self::found($in, $bench));
        $this->expectException(CannotJoin::class);
        $this->expectExceptionMessage('at both ends');
        self::drawn(
            $bench->installation,
            new JoinByHand(new RunEnd('P-1', Side::A), ['mains/drain' => 'P-1.a1/PE'], 'one end alone'),
        );
    }

    /** Whoever lists exceptions lists them in any order. */
    public function test_earth_that_was_moved_by_hand_is_followed(): void
    {
        $in = self::joined(self::bench()->installation, Side::A, 'P-1.a1/N');
        $run = $in->theRun('P-1');
        $in = $in->withRun($run->withEnd(
            Side::A,
            $run->a
                ->joinedByHand('mains/pe', new HandJoint('mains/pe', 'P-1.a1/N', 'tried'))
                ->joinedByHand('mains/n', new HandJoint('mains/n', 'P-1.a1/PE', 'tried')),
        ));
        $joints = PinoutMaker::make($in, $in->theRun('P-1'), Side::A, $in->catalogue->theCable('composite-screened'));
        self::assertSame(
            ['earth', 'earth'],
            array_values(array_map(
                static fn (Joint $joint): string => $joint->function,
                array_filter($joints->joints, static fn (Joint $joint): bool => $joint->address() === 'N'),
            )),
        );
    }
}
