<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Measure\Length;
use Tests\Support\Bench;
use Tests\Support\Procedures;
use Tests\Support\Stand;

/** Mains and signal in one sheath: opened once, then each leg by itself. Common practice; local code is above it. */
final class LegsTest extends TestCase
{
    /** A foil with its drain round the three cores, and a jacket of its own round each of both elements. */
    private static function cable(): CableType
    {
        $cores = [];
        foreach (['l' => 'brown', 'n' => 'blue', 'pe' => 'green/yellow'] as $key => $colour) {
            $cores[] = [
                'key' => $key,
                'kind' => 'core',
                'label' => $key,
                'colour' => $colour,
                'gauge' => '1.5 mm2',
                'strands' => 30,
            ];
        }

        return Bench::microphone()
            ->withCatalogueEdited([
                'cables.composite.construction.children.0.layers' => ['jacket', 'filler'],
                'cables.composite.construction.children.1.layers' => ['jacket'],
                'cables.composite.construction.children.0.children' => [
                    ['key' => 'foil', 'kind' => 'foil', 'label' => 'foil'],
                    [
                        'key' => 'drain',
                        'kind' => 'drain',
                        'label' => 'drain',
                        'colour' => 'bare',
                        'gauge' => '0.5 mm2',
                        'strands' => 16,
                    ],
                    ...$cores,
                ],
            ])
            ->installation->catalogue->theCable('composite');
    }

    private static function sleeved(): Station
    {
        return Stand::with(
            parts: [
                'sleeving' => Arrival::Slid,
                'neck' => Arrival::Slid,
                'boot' => Arrival::Slid,
                'edge' => Arrival::Slid,
            ],
            legs: ['mains' => Length::parse('12 in'), 'signal' => Length::parse('12 in')],
            snags: ['sleeving'],
            shrinks: ['edge', 'neck'],
            under: ['sleeving'],
        );
    }

    /** @param  ?int  $takes  conductors that the earth's terminal takes; null: nobody knows */
    private static function mains(?int $takes = 2): Station
    {
        return Stand::with(
            goes: [
                'metal mains/l' => 'L',
                'metal mains/n' => 'N',
                'metal mains/pe' => 'E',
                'drain mains/drain' => 'E',
            ],
            parts: [
                'nut' => Arrival::SlidHere,
                'shell' => Arrival::SlidHere,
                'bite' => Arrival::SlidHere,
                'chuck' => Arrival::Side,
            ],
            reaches: ['L' => Length::millimetres(24), 'N' => Length::millimetres(24), 'E' => Length::millimetres(32)],
            earths: ['metal mains/pe', 'drain mains/drain'],
            takes: $takes === null ? [] : ['E' => $takes],
            sleeved: ['drain mains/drain'],
            shrinks: ['bite'],
        );
    }

    private static function signal(): Station
    {
        return Stand::with(
            goes: ['metal signal/a' => '2', 'metal signal/b' => '3', 'drain signal/drain' => '1'],
            screens: ['drain signal/drain'],
            parts: ['boot' => Arrival::SlidHere, 'shell' => Arrival::Front, 'chuck' => Arrival::Side],
        );
    }

    private static function end(): CableEnd
    {
        return AsCut::of(self::cable());
    }

    private static function whole(): Made
    {
        return Made::by(Procedures::procedure('composite-legs'), new Workpiece(self::end()), self::sleeved());
    }

    private static function leg(string $element = 'mains'): Workpiece
    {
        return new Workpiece(self::whole()->result->end->leg($element));
    }

    /** @return array{signal: Made, mains: Made} */
    private static function legs(?int $takes = 2): array
    {
        return [
            'signal' => Made::by(Procedures::procedure('cup-3-pole'), self::leg('signal'), self::signal()),
            'mains' => Made::by(Procedures::procedure('mains-screws'), self::leg(), self::mains($takes)),
        ];
    }

    public function test_both_legs_are_made_right_where_the_sheath_was_opened(): void
    {
        self::assertSame([], Procedures::lacks(self::whole()));
        foreach (self::legs() as $leg) {
            self::assertSame([], [...Procedures::lacks($leg), ...$leg->unmet]);
        }
    }

    /** The outer sheath comes off once, a foot of it; each leg keeps its own, but for what its connector takes. */
    public function test_no_sheath_comes_off_twice(): void
    {
        $whole = self::whole();
        $made = self::legs();
        self::assertSame(314_800_000, $whole->result->end->piece(PieceKind::Sheath)?->edge->nanometres);
        // 10 mm with the tape on are gone; from there a foot, or what the connector needs.
        self::assertSame(
            10_000_000,
            $whole->result->end->piece(PieceKind::InnerSheath, 'mains')?->edge->nanometres,
        );
        self::assertSame(55_000_000, $made['mains']->result->end->piece(PieceKind::Sheath)?->edge->nanometres);
        self::assertSame(30_000_000, $made['signal']->result->end->piece(PieceKind::Sheath)?->edge->nanometres);
        foreach ($made as $element => $leg) {
            foreach ($leg->result->end->pieces as $piece) {
                $isOwn = $piece->kind === PieceKind::Sheath || str_starts_with($piece->element, $element.'/');
                self::assertTrue($isOwn || $piece->element === $element, $piece->key());
            }
        }
        self::assertSame([10_000_000, 10_000_000], [
            $made['mains']->result->used()->nanometres,
            $made['signal']->result->used()->nanometres,
        ]);
    }

    /** Two conductors in one terminal only where its maker says so; where nobody knows, it is refused. */
    public function test_drain_and_earth_share_a_ferrule_only_where_the_terminal_takes_two(): void
    {
        $lacks = static fn (?int $takes): string => implode(
            ' ',
            Procedures::lacks(self::legs($takes)['mains']),
        );
        self::assertStringContainsString('Nobody knows whether terminal E takes 2 conductors.', $lacks(null));
        self::assertStringContainsString('Terminal E takes 1, not 2 conductors.', $lacks(1));
        self::assertSame('', $lacks(2));
    }

    /** @return iterable<string, array{string, string}> step, length */
    public static function wrong(): iterable
    {
        yield 'copper outside' => ['bare', '9 mm'];
        yield 'not all the way in' => ['bare', '6 mm'];
        yield 'earth as short as the others' => ['earth-length', '-8 mm'];
        yield 'cores that stand up' => ['cores-length', '2 mm'];
        yield 'too little sheath off' => ['sheath-off', '30 mm'];
    }

    #[DataProvider('wrong')]
    public function test_a_length_beyond_what_is_allowed_is_not_made_right(string $step, string $length): void
    {
        $procedure = Procedures::changed(Procedures::procedure('mains-screws'), $step, $length);
        self::assertFalse(Made::by($procedure, self::leg(), self::mains())->isRight());
    }

    public function test_no_step_of_either_is_decoration(): void
    {
        $whole = self::whole();
        foreach ($whole->steps as $made) {
            $without = Procedures::without(Procedures::procedure('composite-legs'), $made->step->id);
            $again = Made::by($without, new Workpiece(self::end()), self::sleeved());
            self::assertTrue(
                ! $again->isRight() || serialize($again->result) !== serialize($whole->result),
                $made->step->id,
            );
        }
        $mains = Made::by(Procedures::procedure('mains-screws'), self::leg(), self::mains());
        self::assertTrue($mains->isRight());
        foreach ($mains->steps as $made) {
            $without = Procedures::without(Procedures::procedure('mains-screws'), $made->step->id);
            $again = Made::by($without, self::leg(), self::mains());
            self::assertTrue(
                ! $again->isRight() || serialize($again->result) !== serialize($mains->result),
                $made->step->id,
            );
        }
    }

    /** Soldered strands come loose under a screw: it is not taught, and where it is tried it is refused. */
    public function test_tinned_strands_get_no_ferrule_and_no_screw(): void
    {
        $procedure = Procedures::procedure('mains-screws');
        $steps = [];
        foreach ($procedure->steps as $step) {
            $steps[] = $step;
            if ($step->id === 'bare') {
                $steps[] = Procedures::step(Procedures::procedure('cup-3-pole'), 'cores-twist');
                $steps[] = Procedures::step(Procedures::procedure('cup-3-pole'), 'cores-tin');
            }
        }
        $lacks = implode(' ', Procedures::lacks(Made::by($procedure->withSteps($steps), self::leg(), self::mains())));
        self::assertStringContainsString('Metal of mains/l is tinned: solder creeps from under a ferrule.', $lacks);
        self::assertStringContainsString('Metal of mains/l is tinned: soldered strands come loose', $lacks);
    }

    /** At the loudspeaker a leg is cut to what was measured there, 200 mm, and 45 mm for the connector. */
    public function test_a_leg_is_measured_on_the_equipment_before_it_is_cut(): void
    {
        $of = static fn (?Length $measured): Made => Made::by(
            Procedures::procedure('mains-screws'),
            self::leg(),
            Stand::but(self::mains(), ...['onEquipment' => true, 'measured' => $measured]),
        );
        $made = $of(Length::millimetres(200));
        self::assertSame([], [...Procedures::lacks($made), ...$made->unmet]);
        // 314.8 - 200 - 45: what stands out beyond that is cut off.
        self::assertSame(69_800_000, $made->result->used()->nanometres);
        self::assertSame(114_800_000, $made->result->end->piece(PieceKind::Sheath)?->edge->nanometres);
        $unknown = implode(' ', Procedures::lacks($of(null)));
        self::assertStringContainsString('Nobody has measured it on the equipment yet.', $unknown);
        self::assertStringContainsString('nobody knows where to cut', $unknown);
        $short = implode(' ', Procedures::lacks($of(Length::millimetres(300))));
        self::assertStringContainsString('There is nothing left to cut off as far out as that.', $short);
    }

    /** A copy keeps what secures somebody's life: as it is, and in its order. */
    public function test_a_copy_cannot_drop_change_or_move_a_locked_step(): void
    {
        $of = Procedures::procedure('mains-screws');
        self::assertSame([], $of->missingIn($of));
        $locked = array_values(array_filter($of->steps, static fn (MakingStep $step): bool => $step->locked));
        self::assertGreaterThan(8, count($locked));
        foreach ($locked as $i => $step) {
            $said = implode(' ', $of->missingIn(Procedures::without($of, $step->id)));
            self::assertStringContainsString('Step '.$step->id.' of', $said);
            if ($i > 0) {
                $moved = array_values(array_filter($of->steps, static fn (MakingStep $each): bool => $each !== $step));
                self::assertNotSame([], $of->missingIn($of->withSteps([$step, ...$moved])), $step->id);
            }
        }
        self::assertNotSame([], $of->missingIn(Procedures::changed($of, 'earth-length', '-8 mm')));
        foreach ($of->steps as $step) {
            if (! $step->locked) {
                self::assertSame([], $of->missingIn(Procedures::without($of, $step->id)), $step->id);
            }
        }
    }
}
