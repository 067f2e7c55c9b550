<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\Acts;
use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\Doing;
use Sartal\Core\Ends\Making\FarEnd;
use Sartal\Core\Ends\Making\Picked;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\ElementLayer;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Measure;
use Sartal\Core\Given\Catalogue\Procedures\MeasuredFrom;
use Sartal\Core\Given\Catalogue\Procedures\MeasureKind;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Selector;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;
use Tests\Support\Bench;
use Tests\Support\Stand;

/** What single verbs refuse, in words, and what they leave behind. Common practice. */
final class VerbsTest extends TestCase
{
    /** @param  array<string, mixed>  $edits */
    private static function pair(array $edits = []): Workpiece
    {
        $bench = Bench::microphone()->withCatalogueEdited($edits);

        return new Workpiece(AsCut::of($bench->installation->catalogue->theCable('pair-foil')));
    }

    /**
     * @param  list<PieceKind>  $of
     * @return array{Workpiece, list<string>} what came of it, what was lacking
     */
    private static function do(
        Workpiece $on,
        Verb $verb,
        array $of = [],
        ?Measure $measure = null,
        string $part = '',
        ?Station $at = null,
        string $catches = '',
    ): array {
        $at ??= new Station();
        $step = new MakingStep('s', $verb, new Selector($of), $measure, $part, catches: $catches, seconds: 30);
        $doing = new Doing($step, $at, $of === [] ? [] : Picked::by($step->of, $on->end, $at));
        $needs = Acts::of($verb)->needs($on, $doing);

        return [$needs === [] ? Acts::of($verb)->done($on, $doing) : $on, $needs];
    }

    private static function mm(float $length, MeasuredFrom $from, string $mark = ''): Measure
    {
        return new Measure(Length::millimetres($length), $length.' mm', MeasureKind::Mark, $from, $mark);
    }

    /** A sheath is opened, its foil torn off, its drain twisted. */
    private static function opened(): Workpiece
    {
        $on = self::pair();
        foreach ([PieceKind::Sheath, PieceKind::Foil] as $kind) {
            [$on] = self::do($on, Verb::Remove, [$kind], self::mm(30, MeasuredFrom::CutEnd));
        }

        return self::do($on, Verb::Twist, [PieceKind::Drain])[0];
    }

    public function test_a_mark_stays_where_it_was_made_whatever_is_cut_off(): void
    {
        [$on] = self::do(self::pair(), Verb::Mark, [], self::mm(80, MeasuredFrom::CutEnd));
        [$on] = self::do($on, Verb::CutOff, [], self::mm(50, MeasuredFrom::CutEnd));
        [$on, $needs] = self::do($on, Verb::CutOff, [], self::mm(0, MeasuredFrom::Mark, 's'));
        self::assertSame([[], 80_000_000], [$needs, $on->used()->nanometres]);
        self::assertSame(
            ['It is marked already.'],
            self::do($on, Verb::Mark, [], self::mm(80, MeasuredFrom::CutEnd))[1],
        );
        self::assertSame(
            ['It is not said where to cut.'],
            self::do($on, Verb::CutOff, [], self::mm(0, MeasuredFrom::Mark, 'another'))[1],
        );
    }

    public function test_what_is_scored_keeps_what_is_under_it_until_it_is_torn(): void
    {
        [$on] = self::do(self::pair(), Verb::Score, [PieceKind::Sheath]);
        self::assertSame(
            ['The sheath is still round foil of p1/foil there.'],
            self::do($on, Verb::Remove, [PieceKind::Foil], self::mm(20, MeasuredFrom::CutEnd))[1],
        );
        [$on, $needs] = self::do($on, Verb::Tear, [PieceKind::Sheath], self::mm(20, MeasuredFrom::CutEnd));
        self::assertSame([], $needs);
        self::assertSame([], self::do($on, Verb::Remove, [PieceKind::Foil], self::mm(20, MeasuredFrom::CutEnd))[1]);
        self::assertSame(
            ['The sheath is not split or scored: it does not tear.'],
            self::do(self::pair(), Verb::Tear, [PieceKind::Sheath], self::mm(20, MeasuredFrom::CutEnd))[1],
        );
    }

    public function test_strands_are_twisted_before_they_are_cut_to_a_point_and_tinned_after(): void
    {
        [$on] = self::do(self::pair(), Verb::Remove, [PieceKind::Sheath], self::mm(30, MeasuredFrom::CutEnd));
        [$on] = self::do($on, Verb::Remove, [PieceKind::Foil], self::mm(30, MeasuredFrom::CutEnd));
        self::assertStringContainsString(
            'has to be twisted before it is cut to a point',
            self::do($on, Verb::Point, [PieceKind::Drain])[1][0],
        );
        [$on] = self::do(self::opened(), Verb::Point, [PieceKind::Drain]);
        self::assertSame(Lie::Pointed, $on->end->ofKind(PieceKind::Drain)[0]->lie);
        self::assertSame([], self::do($on, Verb::Tin, [PieceKind::Drain], self::mm(5, MeasuredFrom::OwnEnd))[1]);
    }

    public function test_a_bare_conductor_gets_one_sleeve_before_it_is_joined(): void
    {
        $drain = self::opened()->end->ofKind(PieceKind::Drain)[0]->key();
        [$on] = self::do(self::opened(), Verb::Insulate, [PieceKind::Drain]);
        self::assertTrue($on->end->pieces[$drain]->covered);
        self::assertStringContainsString(
            'has a sleeve already',
            self::do($on, Verb::Insulate, [PieceKind::Drain])[1][0],
        );
        $joined = self::opened()->joining(['1' => [$drain]]);
        self::assertStringContainsString(
            'no sleeve goes over it any more',
            self::do($joined, Verb::Insulate, [PieceKind::Drain])[1][0],
        );
        self::assertStringContainsString(
            'Nothing of drain of',
            self::do(self::pair(), Verb::Insulate, [PieceKind::Drain])[1][0],
        );
    }

    public function test_a_joint_that_nobody_looked_at_is_not_hidden(): void
    {
        $at = Stand::with(parts: ['tube' => Arrival::SlidHere], over: ['tube' => ['1']]);
        [$on] = self::do(self::opened(), Verb::Slide, part: 'tube', at: $at);
        self::assertSame(
            ['The tube is not in its place.', 'Terminal 1 lies under the tube and is not joined yet.'],
            self::do($on, Verb::Shrink, part: 'tube', at: $at)[1],
        );
        $on = $on->joining(['1' => ['drain p1/drain']])->seating('tube');
        self::assertSame(
            ['The joint under the tube has not been looked at: nobody sees it afterwards.'],
            self::do($on, Verb::Shrink, part: 'tube', at: $at)[1],
        );
        [$on, $needs] = self::do($on->looking('dry joint'), Verb::Shrink, part: 'tube', at: $at);
        self::assertSame([[], ['tube'], ['tube' => 30]], [$needs, $on->shrunk, $on->hot]);
        self::assertSame(
            ['The tube is shrunk already.'],
            self::do($on, Verb::Shrink, part: 'tube', at: $at)[1],
        );
    }

    /** Solder or screw: nobody gets under what is closed, and nothing goes in twice. */
    public function test_no_terminal_is_reached_under_what_is_closed(): void
    {
        $drain = self::opened()->end->ofKind(PieceKind::Drain)[0]->key();
        $at = Stand::with(goes: [$drain => '1'], over: ['flap' => ['1']]);
        foreach ([Verb::Join, Verb::Clamp] as $verb) {
            self::assertContains(
                'Terminal 1 lies under the flap, which is closed already.',
                self::do(self::opened()->seating('flap'), $verb, [PieceKind::Drain], at: $at)[1],
            );
            self::assertContains(
                'Drain of p1/drain is joined already.',
                self::do(self::opened()->joining(['1' => [$drain]]), $verb, [PieceKind::Drain], at: $at)[1],
            );
            self::assertContains(
                'Drain of p1/drain goes to no terminal.',
                self::do(self::opened(), $verb, [PieceKind::Drain])[1],
            );
        }
    }

    public function test_a_sleeve_catches_on_an_end_without_tape_and_the_tape_goes_with_the_cut(): void
    {
        $at = Stand::with(parts: ['sleeving' => Arrival::Slid], snags: ['sleeving']);
        self::assertSame(
            ['The end catches in the sleeving: tape it.'],
            self::do(self::pair(), Verb::Slide, part: 'sleeving', at: $at)[1],
        );
        [$on] = self::do(self::pair(), Verb::Tape, [PieceKind::Sheath]);
        self::assertSame([], self::do($on, Verb::Slide, part: 'sleeving', at: $at)[1]);
        self::assertSame([], self::do($on, Verb::CutOff, [], self::mm(10, MeasuredFrom::CutEnd))[0]->taped);
    }

    public function test_a_plate_is_turned_before_anything_is_joined(): void
    {
        $at = Stand::with(turns: ['plate']);
        [$on, $needs] = self::do(self::pair(), Verb::Turn, part: 'plate', at: $at);
        self::assertSame([[], ['plate']], [$needs, $on->turned]);
        self::assertSame(['The plate is turned already.'], self::do($on, Verb::Turn, part: 'plate', at: $at)[1]);
        self::assertSame(
            ['Something is joined: every length was cut for the other side.'],
            self::do(self::pair()->joining(['1' => []]), Verb::Turn, part: 'plate', at: $at)[1],
        );
        self::assertContains('The plate is set for the other side.', self::do(self::pair(), Verb::Close, at: $at)[1]);
    }

    public function test_two_halves_are_compared_only_where_one_is_finished_and_this_one_is_open(): void
    {
        $at = Stand::with(far: FarEnd::Mates);
        self::assertSame(
            ['There is no finished half to plug it into yet.'],
            self::do(self::pair(), Verb::Mate, catches: 'mirrored')[1],
        );
        self::assertSame(['It is not said what is looked for.'], self::do(self::pair(), Verb::Mate, at: $at)[1]);
        self::assertSame(
            ['It is closed: nothing is seen any more.'],
            self::do(self::pair()->closing(), Verb::Mate, at: $at, catches: 'mirrored')[1],
        );
        self::assertSame(
            ['The nut is not in its place.'],
            self::do(self::pair(), Verb::Mate, part: 'nut', at: $at, catches: 'slack')[1],
        );
        [$on, $needs] = self::do(self::pair()->seating('nut'), Verb::Mate, part: 'nut', at: $at, catches: 'slack');
        self::assertSame([[], ['slack']], [$needs, $on->looked]);
    }

    public function test_a_tie_goes_round_before_it_is_closed_and_a_coil_is_made_after(): void
    {
        $at = Stand::with(parts: ['tie' => Arrival::Side, 'shell' => Arrival::Slid]);
        [$on, $needs] = self::do(self::pair(), Verb::Tie, part: 'tie', at: $at);
        self::assertSame([[], ['tie']], [$needs, $on->seated]);
        self::assertSame(['There is no shell here.'], self::do($on, Verb::Tie, part: 'shell', at: $at)[1]);
        self::assertSame(['The tie is round it already.'], self::do($on, Verb::Tie, part: 'tie', at: $at)[1]);
        self::assertSame(['It is not closed yet.'], self::do($on, Verb::Coil)[1]);
        [$on] = self::do($on->closing(), Verb::Coil);
        self::assertTrue($on->coiled);
        self::assertSame(['It is coiled already.'], self::do($on, Verb::Coil)[1]);
    }

    /** What a type says is in it lies where hands find it: of two sheaths, the screen is between them. */
    public function test_layers_of_a_type_lie_where_hands_find_them(): void
    {
        $root = 'cables.cat6-futp.construction.layers';
        $all = array_column(ElementLayer::cases(), 'value');
        $end = AsCut::of(
            Bench::microphone()
                ->withCatalogueEdited([$root => $all])
                ->installation->catalogue->theCable('cat6-futp'),
        );
        $foil = $end->ofKind(PieceKind::Foil)[0];
        $inner = $end->piece(PieceKind::InnerSheath);
        self::assertSame(['sheath '], $foil->within);
        self::assertSame(['sheath ', $foil->key()], $inner?->within);
        self::assertSame(['sheath '], $end->piece(PieceKind::Thread)?->within);
        foreach ([PieceKind::Cord, PieceKind::Separator, PieceKind::Filler, PieceKind::Fibre] as $kind) {
            self::assertSame(['sheath ', $foil->key(), 'inner-sheath ', 'wrap '], $end->piece($kind)?->within);
        }
        self::assertNull($end->piece(PieceKind::ConductiveLayer), 'a cable as a whole has none');
        $core = self::pair(['cables.pair-foil.construction.children.0.children.0.layers' => ['conductive-layer']]);
        $layer = $core->end->ofKind(PieceKind::ConductiveLayer)[0];
        self::assertContains($layer->key(), $core->end->piece(PieceKind::Insulation, $layer->element)->within ?? []);
    }
}
