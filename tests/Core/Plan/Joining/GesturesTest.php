<?php

declare(strict_types=1);

namespace Tests\Core\Plan\Joining;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Pinout\PinoutMaker;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\File\FileEncoder;
use Sartal\Core\File\RunCodec;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Joining\CannotJoin;
use Sartal\Core\Plan\Joining\Drawn;
use Sartal\Core\Plan\Joining\Found;
use Sartal\Core\Plan\Joining\Gesture;
use Sartal\Core\Plan\Joining\Gestures\AsPlanned;
use Sartal\Core\Plan\Joining\Gestures\Boots;
use Sartal\Core\Plan\Joining\Gestures\Equip;
use Sartal\Core\Plan\Joining\Gestures\FitSwitch;
use Sartal\Core\Plan\Joining\Gestures\Free;
use Sartal\Core\Plan\Joining\Gestures\Gather;
use Sartal\Core\Plan\Joining\Gestures\JoinByHand;
use Sartal\Core\Plan\Joining\Gestures\Jump;
use Sartal\Core\Plan\Joining\Gestures\Land;
use Sartal\Core\Plan\Joining\Gestures\Leave;
use Sartal\Core\Plan\Joining\Gestures\PartLeg;
use Sartal\Core\Plan\Joining\Gestures\RemoveSwitch;
use Sartal\Core\Plan\Joining\Gestures\Shape;
use Sartal\Core\Plan\Joining\Gestures\Share;
use Sartal\Core\Plan\Joining\Gestures\Splice;
use Sartal\Core\Plan\Joining\Gestures\Unjump;
use Sartal\Core\Plan\Joining\Gestures\Unsplice;
use Sartal\Core\Plan\Joining\JoinLine;
use Sartal\Core\Plan\Joining\NewFitting;
use Sartal\Core\Plan\Joining\RunEnd;
use Sartal\Core\Plan\Joining\Sketch;
use Tests\Support\Bench;
use Tests\Support\Panel;

/** What hands do to an assembly, and what becomes of its wiring. */
final class GesturesTest extends TestCase
{
    private static function draw(Installation $in, Gesture ...$gestures): Drawn
    {
        $sketch = new Sketch($in);
        foreach ($gestures as $gesture) {
            $gesture->draw($sketch);
        }

        return $sketch->drawn();
    }

    private static function a(string $run = 'M-1'): RunEnd
    {
        return new RunEnd($run, Side::A);
    }

    private static function b(string $run = 'M-1'): RunEnd
    {
        return new RunEnd($run, Side::B);
    }

    /** @return array<string, list<string>> conductor → "fitting/address" that it comes to */
    private static function netlist(Installation $in, RunEnd $at): array
    {
        $run = $in->theRun($at->run);
        $list = [];
        foreach (PinoutMaker::make($in, $run, $at->side, $in->catalogue->theCable($run->cable))->joints as $joint) {
            $list[$joint->conductor][] = Node::isTerminal($joint->to) ? substr($joint->to, 2) : $joint->to;
        }

        return $list;
    }

    /** @return array<string, mixed> the whole of it as a file has it, to compare */
    private static function whole(Installation $in): array
    {
        return [
            array_map(RunCodec::encode(...), $in->runs()),
            array_map(FileEncoder::fitting(...), $in->fittings()),
            array_map(FileEncoder::circuit(...), $in->circuits()),
            array_map(FileEncoder::link(...), $in->links()),
            array_map(FileEncoder::switch(...), $in->switches()),
            $in->splices(),
        ];
    }

    private static function refusal(Installation $in, Gesture ...$gestures): CannotJoin
    {
        try {
            self::draw($in, ...$gestures);
        } catch (CannotJoin $cannot) {
            return $cannot;
        }
        self::fail('It was not refused.');
    }

    private static function line(Installation $in, string $text, ?RunEnd $at = null, string $fitting = ''): Drawn
    {
        return self::draw($in, (new JoinLine($in, $at, $fitting))->read($text));
    }

    public function test_a_range_of_pairs_lands_on_a_range_of_contacts(): void
    {
        $in = Bench::stageBox()->installation;
        $free = self::draw($in, new Free(self::b(), array_map(static fn (int $n): string => 'p'.$n, range(13, 18))));
        self::assertCount(18 * 3, self::netlist($free->in, self::b()));
        $drawn = self::line($free->in, '13-18 > C1-C18', self::b(), 'M-1.b1');
        $expected = [];
        foreach (range(13, 18) as $i => $pair) {
            foreach (['a', 'b', 'drain'] as $n => $core) {
                $expected['p'.$pair.'/'.$core] = ['M-1.b1/C'.($i * 3 + $n + 1)];
            }
        }
        self::assertSame($expected, array_intersect_key(self::netlist($drawn->in, self::b()), $expected));
        // Just as the plan has them: nothing is kept as an exception.
        self::assertSame([], $drawn->in->theRun('M-1')->b->handJoints);
        self::assertSame(['M-1'], $drawn->runs);
        self::assertCount(24 * 3, self::netlist($drawn->in, self::b()));
    }

    public function test_what_was_taken_off_and_landed_again_is_as_it_was(): void
    {
        $in = Bench::stageBox()->installation;
        $free = self::draw($in, new Free(self::b(), ['p5', 'p6']));
        $again = self::line($free->in, '5-6 > 5-6', self::b(), 'M-1.b1');
        self::assertEquals(self::netlist($in, self::b()), self::netlist($again->in, self::b()));
        // From where on is enough: it is known how many follow.
        $on = self::line($free->in, '5-6 > A13-', self::b(), 'M-1.b1');
        self::assertEquals(self::netlist($again->in, self::b()), self::netlist($on->in, self::b()));
        $back = self::draw(self::draw($in, new Free(self::a(), ['p24']))->in, new Land(
            self::a(),
            ['p24'],
            new NewFitting('xlr3-female-cable', 'M-1 A 24'),
            'xlr3-female-cable-balanced',
            length: Length::millimetres(300),
        ));
        self::assertEquals(self::whole($in), self::whole($back->in));
    }

    public function test_three_multicores_land_in_one_connector(): void
    {
        $requests = array_map(
            static fn (int $n) => Bench::request(
                'M-'.$n,
                'multicore-8',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                $n === 1 ? ['rect90-male-24ch'] : [],
            ),
            [1, 2, 3],
        );
        $in = Bench::of(...$requests)->installation;
        foreach ([2 => '9-16', 3 => '17-24'] as $n => $channels) {
            $in = self::line($in, sprintf('M-%d B: 1-8 > M-1 B: %s', $n, $channels))->in;
        }
        self::assertNull($in->theRun('M-3')->b->bare);
        $list = self::netlist($in, self::b('M-3'));
        self::assertSame(['M-1.b1/C13'], $list['p1/a']);
        self::assertSame(['M-1.b1/D18'], $list['p8/drain']);
        $cannot = self::refusal($in, new Land(self::b('M-3'), ['p1'], 'M-1.b1', 'rect90-male-24ch', ['9']));
        self::assertSame(['channels', '9'], [$cannot->field, $cannot->value]);
        self::assertStringContainsString('M-2 end B comes to channel 9', $cannot->getMessage());
    }

    public function test_conductors_are_joined_one_by_one_where_the_plan_has_them_elsewhere(): void
    {
        $in = Bench::stageBox()->installation;
        $drawn = self::line($in, "1/red > A2\n1/black\tA1", self::b(), 'M-1.b1');
        $list = self::netlist($drawn->in, self::b());
        self::assertSame([['M-1.b1/A2'], ['M-1.b1/A1']], [$list['p1/a'], $list['p1/b']]);
        $back = self::draw($drawn->in, new AsPlanned(self::b(), ['p1']));
        self::assertEquals(self::whole($in), self::whole($back->in));
        // What the plan says anyway is no exception.
        $same = self::line($drawn->in, '1 > A1-A3', self::b(), 'M-1.b1');
        self::assertSame([], $same->in->theRun('M-1')->b->handJoints);
    }

    public function test_every_line_of_a_table_that_is_wrong_is_named(): void
    {
        $in = Bench::stageBox()->installation;
        try {
            self::line($in, "1 > A1-A3\n99 > A4-A6\n2 > Z1-Z3\n3 A7", self::b(), 'M-1.b1');
            self::fail('It was not refused.');
        } catch (CannotJoin $cannot) {
            $all = [$cannot, ...$cannot->more];
            self::assertSame(['99', 'Z1-Z3', '3 A7'], array_map(static fn (CannotJoin $e): string => $e->value, $all));
            self::assertStringStartsWith('Line 2: Nothing in 24-pair multicore is called "99"', $all[0]->getMessage());
        }
    }

    public function test_leaving_says_why_and_leaves_the_rest(): void
    {
        $in = Bench::stageBox()->installation;
        $drawn = self::draw($in, new Leave(self::b(), ['p24'], 'spare, parked'), new Leave(
            self::b(),
            ['p1/drain'],
            'screen open here',
        ));
        $run = $drawn->in->theRun('M-1');
        $pinout = PinoutMaker::make($drawn->in, $run, Side::B, $drawn->in->catalogue->theCable($run->cable));
        $why = array_column($pinout->unused, 'reason', 'conductor');
        self::assertSame(
            ['p1/drain' => 'screen open here'] +
                array_fill_keys(['p24/a', 'p24/b', 'p24/drain'], 'spare, parked'),
            $why,
        );
        self::assertCount(72 - 4, $pinout->joints);
        self::assertSame('reason', self::refusal($in, new Leave(self::b(), ['p24'], ' '))->field);
    }

    public function test_a_connector_that_nothing_comes_to_any_more_goes_and_what_named_it_forgets_it(): void
    {
        $in = Panel::split()->installation;
        $drawn = self::draw($in, new Free(self::b(), ['p3']));
        self::assertNull($drawn->in->fitting('M-1.b3'));
        self::assertSame('', $drawn->in->theCircuit('M-1.c3')->phantom);
        // Jumpers and a lift still lead from the input: that one stays.
        $still = self::draw($in, new Free(self::a(), ['p3']));
        self::assertNotNull($still->in->fitting('M-1.a3'));
    }

    public function test_legs_part_gather_and_get_lengths_of_their_own(): void
    {
        $in = Bench::stageBox()->installation;
        $parted = self::draw($in, new PartLeg(self::b(), 'leg-1', 6));
        $legs = $parted->in->theRun('M-1')->b->legs;
        self::assertSame([6, 6, 6, 6], array_map(static fn ($leg): int => count($leg->elements), $legs));
        self::assertEquals(self::netlist($in, self::b()), self::netlist($parted->in, self::b()));
        $longer = self::draw(
            $parted->in,
            new Shape(self::b(), [$legs[2]->id], Length::millimetres(375)),
            new Shape(self::b(), [$legs[2]->id], label: 'third block'),
        );
        self::assertSame('third block', $longer->in->theRun('M-1')->b->legs[2]->label);
        $ids = array_map(static fn ($leg): string => $leg->id, $legs);
        $one = self::draw($longer->in, new Gather(self::b(), $ids))->in->theRun('M-1')->b->legs;
        self::assertCount(1, $one);
        self::assertSame('375 mm', $one[0]->length->canonical());
        self::assertEquals(
            self::netlist($in, self::b()),
            self::netlist($in->withRun($longer->in->theRun('M-1')), self::b()),
        );
    }

    public function test_jumpers_lead_to_a_new_connector_and_shorts_are_refused(): void
    {
        $in = Bench::of(Bench::request(
            'M-1',
            'multicore-8',
            ['analogue'],
            ['xlr3-female-panel-balanced'],
            ['xlr3-male-cable-balanced'],
        ))->installation;
        $pairs = [['M-1.a1/1', '1'], ['M-1.a1/2', '2'], ['M-1.a1/3', '3']];
        $drawn = self::draw($in, new Jump($pairs, 'jumper', new NewFitting('xlr3-male-panel', 'Out 1'), self::a()));
        $out = array_values(array_filter($drawn->in->fittings(), static fn ($f): bool => $f->label === 'Out 1'))[0];
        self::assertCount(3, $drawn->in->links());
        self::assertSame('here', $out->location);
        $short = self::refusal($drawn->in, new Jump([['M-1.a1/2', 'M-1.a1/3']]));
        self::assertStringContainsString(
            'Hot of M-1 pair 1 and cold of M-1 pair 1 are led together',
            $short->getMessage(),
        );
        $round = self::refusal($drawn->in, new Jump([['M-1.a2/2', $out->id.'/3']]));
        self::assertStringContainsString('are led together', $round->getMessage());
        self::assertStringContainsString('already', self::refusal($drawn->in, new Jump([['M-1.a1/1', $out->id.'/1']]))
            ->getMessage());
        $less = self::draw($drawn->in, new Unjump($out->id.'/3', 'M-1.a1/3'));
        self::assertCount(2, $less->in->links());
        self::assertSame('to', self::refusal($less->in, new Unjump($out->id.'/3', 'M-1.a1/3'))->field);
    }

    public function test_a_switch_takes_a_jumpers_place_but_never_lifts_what_feeds_phantom_power(): void
    {
        $in = Panel::split()->installation;
        $lifted = self::draw($in, new RemoveSwitch('lift-1'), new Jump([['M-1.a1/1', 'out-1/1']]));
        $again = self::draw($lifted->in, new FitSwitch('Lift 1', 'M-1.a1/1', 'out-1/1'));
        self::assertCount(count($in->links()), $again->in->links());
        self::assertCount(8, $again->in->switches());
        // The tail is where phantom power comes from.
        $cannot = self::refusal($in, new FitSwitch('Lift of the tail', '', 'M-1.b1/1'));
        self::assertStringContainsString('phantom power', $cannot->getMessage());
        // The other leg may have one, in series with what is joined there.
        $plain = Bench::stageBox()->installation;
        $series = self::draw($plain, new FitSwitch('Lift', '', 'M-1.a1/1'));
        $to = self::netlist($series->in, self::a())['p1/drain'];
        self::assertSame(['s:splice-1'], $to);
        self::assertSame('M-1.a1/1', $series->in->switches()['switch-1']->to);
    }

    public function test_conductors_meet_in_a_splice_and_part_again(): void
    {
        $in = Bench::stageBox()->installation;
        $drawn = self::draw($in, new Splice([[self::a(), 'p1/drain'], [self::a(), 'p2/drain']], 'M-1.a1/1'));
        self::assertSame(['s:splice-1'], self::netlist($drawn->in, self::a())['p2/drain']);
        self::assertCount(1, $drawn->in->links());
        self::assertEquals(self::whole($in), self::whole(self::draw($drawn->in, new Unsplice('splice:splice-1'))->in));
        $short = self::refusal($in, new Splice([[self::a(), 'p1/a'], [self::a(), 'p1/b']]));
        self::assertStringContainsString('led together', $short->getMessage());
        self::assertSame('elements', self::refusal($in, new Splice([[self::a(), 'p1/a']]))->field);
    }

    public function test_two_wires_meet_on_a_contact_only_where_that_is_said(): void
    {
        $in = Bench::stageBox()->installation;
        $both = new JoinByHand(self::b(), ['p2/drain' => 'M-1.b1/A3'], 'one screen contact for two');
        $cannot = self::refusal($in, $both);
        self::assertStringContainsString('declare the contact as shared', $cannot->getMessage());
        $drawn = self::draw($in, new Share('M-1.b1', ['A3']), $both);
        $list = self::netlist($drawn->in, self::b());
        self::assertSame([['M-1.b1/A3'], ['M-1.b1/A3']], [$list['p1/drain'], $list['p2/drain']]);
        $alone = self::draw($drawn->in, new Share('M-1.b1', ['A3'], false));
        self::assertSame([], $alone->in->theFitting('M-1.b1')->shared);
    }

    public function test_boots_are_coloured_alike_or_by_groups_and_what_has_none_says_so(): void
    {
        $in = Bench::of(Bench::request(
            'M-1',
            'multicore-24',
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['rect90-male-24ch'],
        ))->installation;
        $tails = array_map(static fn (int $n): string => 'M-1.a'.$n, range(1, 24));
        $drawn = self::draw($in, new Boots($tails, '', 8));
        $parts = static fn (string $id): array => $drawn->in->theFitting($id)->parts;
        self::assertSame(['boot-3pole-brown'], $parts('M-1.a8'));
        self::assertSame(['boot-3pole-orange'], $parts('M-1.a17'));
        $usual = self::draw($drawn->in, new Boots(['M-1.a17'], 'usual'));
        self::assertSame([], $usual->in->theFitting('M-1.a17')->parts);
        self::assertSame('fittings', self::refusal($in, new Boots(['M-1.b1'], 'red'))->field);
        $none = self::refusal($in, new Boots(['M-1.a1'], 'pink'));
        self::assertStringContainsString('There is black, blue', $none->getMessage());
        // A part that nothing there takes is not kept in silence.
        $with = $in->changed(['fittings' => [
            'M-1.b1' => $in->theFitting('M-1.b1')->choosing(['boot-bnc-red']),
        ] + $in->fittings()]);
        $found = array_map(
            static fn ($finding): string => $finding->code,
            Found::around($with, ['M-1'], []),
        );
        self::assertContains('fitting.part-not-taken', $found);
    }

    public function test_an_insert_that_something_comes_to_stays(): void
    {
        $request = Bench::request('V-1', 'coax-75-multi-5', ['video'], ['modular-frame-4-video'], []);
        $in = Bench::of($request)->installation;
        $fitting = array_values($in->fittings())[0];
        $bay = (string) array_key_first($fitting->inserts);
        $cannot = self::refusal($in, new Equip($fitting->id, inserts: [$bay => '']));
        self::assertSame('inserts', $cannot->field);
        self::assertStringContainsString('Take that off first', $cannot->getMessage());
        $named = self::draw($in, new Equip($fitting->id, 'Block 1'));
        self::assertSame('Block 1', $named->in->theFitting($fitting->id)->label);
    }

    /** @return iterable<string, array{\Closure(): Gesture, string, string}> */
    public static function wrong(): iterable
    {
        $land = static fn (mixed ...$more): Land => new Land(...[
            ...['at' => self::b(), 'elements' => ['p1'], 'into' => 'M-1.b1', 'plan' => 'rect90-male-24ch'],
            ...$more,
        ]);
        yield 'a run of another installation' => [
            static fn () => new Free(new RunEnd('X-9', Side::A), ['p1']),
            'run',
            'X-9',
        ];
        yield 'an element that is not there' => [static fn () => new Free(self::a(), ['p99']), 'elements', 'p99'];
        yield 'an element and its part' => [static fn () => new Free(self::a(), ['p1', 'p1/a']), 'elements', 'p1/a'];
        yield 'nothing' => [static fn () => new Free(self::a(), []), 'elements', ''];
        yield 'a leg that is not there' => [
            static fn () => new Shape(self::a(), ['leg-99'], Length::zero()),
            'legs',
            'leg-99',
        ];
        yield 'a connector of another installation' => [
            static fn () => $land(into: 'elsewhere'),
            'fitting',
            'elsewhere',
        ];
        yield 'a plan of another connector' => [
            static fn () => $land(plan: 'xlr3-female-cable-balanced'),
            'plan',
            '1 screen, 2 hot, 3 cold',
        ];
        yield 'a channel that the plan has not' => [static fn () => $land(channels: ['25']), 'channels', '25'];
        yield 'a channel for two' => [
            static fn () => $land(elements: ['p1', 'p2'], channels: ['1', '1']),
            'channels',
            '1',
        ];
        yield 'two channels for one' => [static fn () => $land(channels: ['1', '2']), 'channels', '1, 2'];
        yield 'a contact that is not there' => [
            static fn () => new JoinByHand(self::b(), ['p1/a' => 'M-1.b1/Z9'], 'why'),
            'to',
            'Z9',
        ];
        yield 'a splice that is not there' => [static fn () => new Unsplice('splice:none'), 'splice', 'splice:none'];
        yield 'a jumper to itself' => [static fn () => new Jump([['M-1.b1/A1', 'M-1.b1/A1']]), 'to', 'M-1.b1/A1'];
        yield 'a negative leg' => [
            static fn () => new Shape(self::a(), ['leg-1'], Length::millimetres(-5)),
            'length',
            '-5 mm',
        ];
        yield 'a name that another leg has' => [
            static fn () => new Shape(self::a(), ['leg-1'], label: '2'),
            'label',
            '2',
        ];
        yield 'a leg that cannot part' => [static fn () => new PartLeg(self::a(), 'leg-1', 1), 'each', '1'];
        yield 'legs of two connectors' => [static fn () => new Gather(self::a(), ['leg-1', 'leg-2']), 'legs', '2'];
    }

    /** @param  \Closure(): Gesture  $gesture */
    #[DataProvider('wrong')]
    public function test_what_cannot_be_names_the_field_and_the_value(
        \Closure $gesture,
        string $field,
        string $value,
    ): void {
        $cannot = self::refusal(Bench::stageBox()->installation, $gesture());
        self::assertSame([$field, $value], [$cannot->field, $cannot->value]);
        self::assertNotSame('', $cannot->getMessage());
    }
}
