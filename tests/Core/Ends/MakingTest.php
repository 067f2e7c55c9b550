<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use Opis\JsonSchema\Validator;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Making\Arrival;
use Sartal\Core\Ends\Making\FarEnd;
use Sartal\Core\Ends\Making\Made;
use Sartal\Core\Ends\Making\Picked;
use Sartal\Core\Ends\Making\Station;
use Sartal\Core\Ends\Making\StepMade;
use Sartal\Core\Ends\Workpiece\AsCut;
use Sartal\Core\Ends\Workpiece\CableEnd;
use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Ends\Workpiece\Workpiece;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\MakingCodec;
use Sartal\Core\File\Problems;
use Sartal\Core\Given\Catalogue\Procedures\Centre;
use Sartal\Core\Given\Catalogue\Procedures\Lie;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;
use Sartal\Core\Given\Catalogue\Procedures\MakingStep;
use Sartal\Core\Given\Catalogue\Procedures\Onto;
use Sartal\Core\Given\Catalogue\Procedures\PieceKind;
use Sartal\Core\Given\Catalogue\Procedures\Selector;
use Sartal\Core\Given\Catalogue\Procedures\Verb;
use Sartal\Core\Given\Measure\Length;
use Tests\Support\Bench;
use Tests\Support\Procedures;
use Tests\Support\Stand;

/**
 * Ends that are made in simulation. What is right is from the work itself: common practice, inches as benches mark
 * them; 13 mm of untwist are ANSI/TIA-568 (from memory).
 */
final class MakingTest extends TestCase
{
    private const CORES = ['p1/a', 'p1/b', 'p2/a', 'p2/b', 'p3/a', 'p3/b', 'p4/a', 'p4/b'];

    /** @return array{MakingProcedure, Workpiece, Station} */
    private static function cup(string $cable, bool $farOpen = false): array
    {
        $type = Bench::microphone()->installation->catalogue->theCable($cable);
        $end = AsCut::of($type);
        $goes = $screens = [];
        $poles = [];
        foreach ($type->conductors() as $path => $conductor) {
            $kind = match (true) {
                ! $conductor->isBare() => PieceKind::Metal,
                $end->piece(PieceKind::Drain, (string) $path) !== null => PieceKind::Drain,
                default => PieceKind::Braid,
            };
            $key = Piece::keyOf($kind, (string) $path);
            if ($conductor->isBare()) {
                $goes[$key] = '1';
                $screens[] = $key;
            } else {
                $goes[$key] = $poles[$conductor->element->colour] ??= (string) (2 + count($poles));
            }
        }

        return [
            Procedures::procedure('cup-3-pole'),
            new Workpiece($end),
            Stand::with(
                goes: $goes,
                screens: $screens,
                parts: [
                    'boot' => Arrival::Slid,
                    'nut' => Arrival::Slid,
                    'shell' => Arrival::Front,
                    'chuck' => Arrival::Side,
                ],
                far: $farOpen ? FarEnd::Open : FarEnd::Taken,
            ),
        ];
    }

    /** @return array{MakingProcedure, Workpiece, Station} */
    private static function plug(bool $hasSeparator): array
    {
        $end = AsCut::of(Bench::microphone()->installation->catalogue->theCable('cat6-utp'));
        $goes = [];
        // TIA-568, scheme B: white/orange, orange, white/green, blue, white/blue, green, white/brown, brown.
        $row = ['p2/a', 'p2/b', 'p3/a', 'p1/b', 'p1/a', 'p3/b', 'p4/a', 'p4/b'];
        foreach ($row as $i => $core) {
            $goes[Piece::keyOf(PieceKind::Metal, $core)] = (string) ($i + 1);
        }
        foreach ($hasSeparator ? [PieceKind::Separator, PieceKind::Cord] : [PieceKind::Cord] as $kind) {
            $end = $end->with(Piece::asCut('', $kind, Piece::keyOf(PieceKind::Sheath, '')));
        }

        return [Procedures::procedure('category-plug'), new Workpiece($end), Stand::with(goes: $goes, row: $row)];
    }

    /**
     * A foil round all four pairs, a drain in it, clear wrap and a cord under it; the row as the other plug has it.
     *
     * @return array{MakingProcedure, Workpiece, Station}
     */
    private static function screenedPlug(string $cable): array
    {
        [, , $station] = self::plug(false);
        $end = AsCut::of(Bench::microphone()->installation->catalogue->theCable($cable));
        $foil = $end->ofKind(PieceKind::Foil)[0];
        $drain = $end->ofKind(PieceKind::Drain)[0];
        foreach ([PieceKind::Cord, PieceKind::Wrap] as $kind) {
            $end = $end->with(Piece::asCut('', $kind, ...$foil->within, ...[$foil->key()]));
        }
        $goes = $station->terminals->goes + [$drain->key() => 'clips'];

        return [
            Procedures::procedure('category-plug-screened'),
            new Workpiece($end),
            Stand::with(goes: $goes, screens: [$drain->key()], row: $station->terminals->row),
        ];
    }

    /**
     * Eight slots, and of a screened jack a post for the drain.
     *
     * @return array{MakingProcedure, Workpiece, Station}
     */
    private static function jack(string $procedure, string $cable): array
    {
        $end = AsCut::of(Bench::microphone()->installation->catalogue->theCable($cable));
        foreach ([PieceKind::Separator, PieceKind::Fibre] as $kind) {
            $end = $end->with(Piece::asCut('', $kind, Piece::keyOf(PieceKind::Sheath, '')));
        }
        $goes = [];
        foreach (self::CORES as $i => $core) {
            $goes['metal '.$core] = (string) ($i + 1);
        }
        $drains = array_map(static fn (Piece $piece): string => $piece->key(), $end->ofKind(PieceKind::Drain));

        return [
            Procedures::procedure($procedure),
            new Workpiece($end),
            Stand::with(goes: $goes + array_fill_keys($drains, 'post'), screens: $drains),
        ];
    }

    /** @return array{MakingProcedure, Workpiece, Station} */
    private static function twoSheaths(): array
    {
        $outer = Piece::asCut('', PieceKind::Sheath);
        $foil = Piece::asCut('', PieceKind::Foil, $outer->key());
        $inner = Piece::asCut('', PieceKind::InnerSheath, $outer->key(), $foil->key());
        $in = [$outer->key(), $foil->key(), $inner->key()];
        $pieces = [
            $outer,
            Piece::asCut('', PieceKind::Thread, $outer->key()),
            $foil,
            Piece::asCut('', PieceKind::Drain, $outer->key()),
            $inner,
            Piece::asCut('', PieceKind::Cord, ...$in),
            Piece::asCut('', PieceKind::Separator, ...$in),
        ];
        foreach (self::CORES as $core) {
            $pieces[] = Piece::asCut($core, PieceKind::Insulation, ...$in);
            $pieces[] = Piece::asCut($core, PieceKind::Metal, ...[...$in, Piece::keyOf(PieceKind::Insulation, $core)]);
        }

        $goes = ['drain ' => 'shell'];
        foreach (self::CORES as $i => $core) {
            $goes['metal '.$core] = (string) ($i + 1);
        }

        return [
            Procedures::procedure('two-sheath-jack'),
            new Workpiece(CableEnd::of($pieces)),
            Stand::with(goes: $goes, screens: ['drain ']),
        ];
    }

    /**
     * Ring on the long lug, tip on the short one, sleeve on the body under them.
     *
     * @return array{MakingProcedure, Workpiece, Station}
     */
    private static function phone(string $cable): array
    {
        [, $on, $station] = self::cup($cable);
        $goes = array_map(
            static fn (string $terminal): string => ['1' => 'sleeve', '2' => 'tip', '3' => 'ring'][$terminal],
            $station->terminals->goes,
        );

        return [
            Procedures::procedure('phone-3-contact'),
            $on,
            Stand::with(
                covers: ['tip' => ['sleeve'], 'ring' => ['sleeve']],
                goes: $goes,
                screens: $station->terminals->screens,
                parts: ['boot' => Arrival::Slid, 'shell' => Arrival::Slid],
                reaches: ['tip' => Length::millimetres(11), 'ring' => Length::millimetres(16)],
                over: ['flap' => ['sleeve'], 'clamp' => ['sleeve']],
            ),
        ];
    }

    /**
     * Channels in blocks of four, each block a quarter of an inch farther from the exit than the one before.
     *
     * @return array{MakingProcedure, Workpiece, Station}
     */
    private static function rectangular(string $cable): array
    {
        $end = AsCut::of(Bench::microphone()->installation->catalogue->theCable($cable));
        $goes = $screens = $reaches = [];
        $pairs = [];
        foreach ($end->pieces as $key => $piece) {
            if ($piece->kind === PieceKind::Metal || $piece->kind === PieceKind::Drain) {
                $pair = dirname($piece->element);
                $pairs[$pair] ??= count($pairs);
                $terminal = 'c'.count($goes);
                $goes[$key] = $terminal;
                $block = intdiv($pairs[$pair], 4);
                $reaches[$terminal] = Length::millimetres(120)->plus(Length::parse('1/4 in')->times($block));
                array_push($screens, ...$piece->kind === PieceKind::Drain ? [$key] : []);
            }
        }

        return [
            Procedures::procedure('rectangular-crimp'),
            new Workpiece($end),
            Stand::with(goes: $goes, screens: $screens, reaches: $reaches, over: ['hood' => array_values($goes)]),
        ];
    }

    /** @return array{MakingProcedure, Workpiece, Station} */
    private static function coax(string $procedure, string $cable, Centre $centre, int $crimps): array
    {
        $shrinks = $centre === Centre::Fingers ? ['shrink' => Arrival::SlidHere] : [];
        $parts = ['ferrule' => Arrival::SlidHere] + $shrinks;

        return [
            Procedures::procedure($procedure),
            new Workpiece(AsCut::of(Bench::microphone()->installation->catalogue->theCable($cable))),
            Stand::with(
                goes: ['metal x/centre' => 'centre', 'braid x/braid' => 'body'],
                screens: ['braid x/braid'],
                parts: $parts,
                crimps: ['ferrule' => $crimps],
                centre: $centre,
                shrinks: array_keys($shrinks),
            ),
        ];
    }

    /** @return iterable<string, array{callable(): array{MakingProcedure, Workpiece, Station}}> */
    public static function ends(): iterable
    {
        foreach (['pair-foil', 'pair-braid', 'star-quad', 'star-quad-permanent'] as $cable) {
            yield $cable => [static fn (): array => self::cup($cable)];
        }
        yield 'a second half, with a tie' => [static function (): array {
            [$procedure, $on, $station] = self::cup('pair-braid');
            $parts = $station->parts->arrive + ['tie' => Arrival::Side];

            $more = ['far' => FarEnd::Mates, 'parts' => $parts];

            return [$procedure, $on, Stand::but($station, ...$more)];
        }];
        yield 'four pairs' => [static fn (): array => self::plug(false)];
        yield 'four pairs and a separator' => [static fn (): array => self::plug(true)];
        foreach (['pair-foil', 'pair-braid'] as $cable) {
            yield 'quarter inch, '.$cable => [static fn (): array => self::phone($cable)];
        }
        foreach (['multicore-8', 'multicore-24', 'multicore-48'] as $cable) {
            yield 'rectangular, '.$cable => [static fn (): array => self::rectangular($cable)];
        }
        yield 'rectangular, out on the other side' => [static function (): array {
            [$procedure, $on, $station] = self::rectangular('multicore-8');

            return [$procedure, $on, Stand::but($station, ...['turns' => ['plate']])];
        }];
        foreach (['coax-75-standard', 'coax-75-mini'] as $cable) {
            yield 'BNC, '.$cable => [static fn (): array => self::coax('bnc-crimp', $cable, Centre::Captive, 2)];
        }
        yield 'BNC, pin' => [static fn (): array => self::coax('bnc-crimp', 'coax-75-standard', Centre::Pin, 2)];
        yield 'N, fingers' => [
            static fn (): array => self::coax('n-fingers', 'coax-50-lowloss', Centre::Fingers, 1),
        ];
        foreach (['cat6-futp', 'cat6a-futp'] as $cable) {
            yield 'screened plug, '.$cable => [static fn (): array => self::screenedPlug($cable)];
        }
        yield 'two sheaths' => [self::twoSheaths(...)];
        yield 'jack' => [static fn (): array => self::jack('category-jack', 'cat6-utp')];
        yield 'screened jack' => [static fn (): array => self::jack('category-jack-screened', 'cat6a-futp')];
    }

    /** @param  callable(): array{MakingProcedure, Workpiece, Station}  $end */
    #[DataProvider('ends')]
    public function test_an_end_is_made_as_its_connector_demands(callable $end): void
    {
        $made = Made::by(...$end());
        self::assertSame([], Procedures::lacks($made));
        self::assertSame([], $made->unmet);
        self::assertTrue($made->isRight());
    }

    /** @param  callable(): array{MakingProcedure, Workpiece, Station}  $end */
    #[DataProvider('ends')]
    public function test_layers_never_come_back_and_what_is_cut_off_is_used_up(callable $end): void
    {
        $made = Made::by(...$end());
        foreach ($made->steps as $step) {
            foreach ($step->before->end->pieces as $key => $piece) {
                $then = $step->after->end->pieces[$key];
                self::assertGreaterThanOrEqual($piece->edge->nanometres, $then->edge->nanometres, $step->step->id);
                self::assertGreaterThanOrEqual($step->after->used()->nanometres, $then->edge->nanometres);
            }
            $isCut = $step->step->verb === Verb::CutOff;
            self::assertSame($isCut, $step->before->used()->compare($step->after->used()) !== 0, $step->step->id);
        }
    }

    /**
     * Without a step something is lacking, a demand is not met, or the finished end is another one; what is only
     * looked at names a defect that nothing else looks for.
     *
     * @param  callable(): array{MakingProcedure, Workpiece, Station}  $end
     */
    #[DataProvider('ends')]
    public function test_no_step_is_decoration(callable $end): void
    {
        [$procedure, $on, $station] = $end();
        $whole = Made::by($procedure, $on, $station);
        foreach ($whole->steps as $made) {
            $without = Made::by(Procedures::without($procedure, $made->step->id), $on, $station);
            self::assertTrue(
                ! $without->isRight() || serialize($without->result) !== serialize($whole->result),
                $made->step->id,
            );
        }
        $looked = $whole->result->looked;
        self::assertSame($looked, array_values(array_unique($looked)));
    }

    /**
     * Two steps that do not touch the same are free of each other: either way round gives the same.
     *
     * @param  callable(): array{MakingProcedure, Workpiece, Station}  $end
     */
    #[DataProvider('ends')]
    public function test_what_is_free_may_be_done_either_way_round(callable $end): void
    {
        [$procedure, $on, $station] = $end();
        $dice = new Randomizer(new Mt19937(18));
        $ids = Procedures::ids(...);
        $whole = Made::by($procedure, $on, $station);
        $swapped = 0;
        for ($n = 0; $n < 60; $n++) {
            $made = Made::by($procedure, $on, $station);
            $i = $dice->getInt(0, count($made->steps) - 2);
            if (! $made->steps[$i]->isFreeOf($made->steps[$i + 1])) {
                continue;
            }
            $steps = array_map(static fn (StepMade $step): MakingStep => $step->step, $made->steps);
            [$steps[$i], $steps[$i + 1]] = [$steps[$i + 1], $steps[$i]];
            $procedure = $procedure->withSteps($steps);
            $again = Made::by($procedure, $on, $station);
            self::assertTrue($again->isRight(), implode(' ', $ids($again)));
            self::assertEquals($whole->result->end, $again->result->end);
            self::assertEqualsCanonicalizing($whole->result->joined, $again->result->joined);
            $swapped++;
        }
        self::assertGreaterThan(0, $swapped);
    }

    /** A length a little beyond what is allowed, on either side, is not made right. */
    public function test_demands_are_not_lax(): void
    {
        $wrong = [
            'cup-3-pole' => [
                // Clamp on the cores; balled up; bare too long, too short; a screen too short, too long; wicked stiff.
                ['sheath-off', '26 mm'], ['sheath-off', '14 mm'], ['cores-trim', '3.5 mm'], ['cores-trim', '1 mm'],
                ['screen-trim', '15 mm'], ['screen-trim', '19 mm'], ['screen-tin', '10 mm'], ['screen-tin', '4 mm'],
            ],
            'category-plug' => [['square', '15 mm'], ['square', '11 mm'], ['separator-off', '2 mm']],
            'phone-3-contact' => [
                ['screen-trim', '4 mm'], ['screen-trim', '8 mm'], ['cores-fit', '2 mm'], ['bare', '1 mm'],
                ['bare', '5 mm'],
                ['screen-tin', '4 mm'], ['screen-tin', '1 mm'],
            ],
            'rectangular-crimp' => [['blocks', '2 mm'], ['bare', '3 mm'], ['bare', '5 mm']],
            'bnc-crimp' => [['dielectric-off', '3.2 mm'], ['dielectric-off', '2.2 mm']],
            'n-fingers' => [
                ['foam-off', '5/16 in'], ['outer-off', '1/2 in'], ['sheath-off', '1/2 in'], ['sheath-off', '5/16 in'],
            ],
            'category-plug-screened' => [
                ['square', '15 mm'], ['square', '11 mm'], ['foil-short', '9 mm'], ['foil-short', '13 mm'],
                ['drain-short', '19 mm'], ['drain-short', '26 mm'], ['inside-off', '2 mm'],
            ],
            'category-jack' => [['short', '15 mm'], ['short', '11 mm'], ['inside-off', '2 mm']],
            'category-jack-screened' => [
                ['flush', '15 mm'], ['flush', '11 mm'], ['foil-off', '2 mm'], ['inside-off', '2 mm'],
                ['sheath-off', '15 mm'],
            ],
            'two-sheath-jack' => [
                ['mark', '1/4 in'], ['flush', '3/4 in'], ['flush', '1/4 in'],
                ['screen-off', '3/4 in'], ['screen-off', '1/4 in'], ['separator-off', '1/4 in'],
            ],
        ];
        $ends = [
            'cup-3-pole' => self::cup('pair-braid'),
            'category-plug' => self::plug(true),
            'phone-3-contact' => self::phone('pair-braid'),
            'rectangular-crimp' => self::rectangular('multicore-24'),
            'bnc-crimp' => self::coax('bnc-crimp', 'coax-75-standard', Centre::Captive, 2),
            'n-fingers' => self::coax('n-fingers', 'coax-50-lowloss', Centre::Fingers, 1),
            'category-plug-screened' => self::screenedPlug('cat6-futp'),
            'two-sheath-jack' => self::twoSheaths(),
            'category-jack' => self::jack('category-jack', 'cat6-utp'),
            'category-jack-screened' => self::jack('category-jack-screened', 'cat6a-futp'),
        ];
        foreach ($wrong as $id => $changes) {
            foreach ($changes as [$step, $length]) {
                [$procedure, $on, $station] = $ends[$id];
                $made = Made::by(Procedures::changed($procedure, $step, $length), $on, $station);
                self::assertFalse($made->isRight(), $step.' '.$length);
            }
        }
    }

    /** Six inches are opened, three and a half of them are discarded, exactly; what is left is in inches as marked. */
    public function test_a_two_sheath_cable_discards_three_and_a_half_inches(): void
    {
        $made = Made::by(...self::twoSheaths());
        self::assertSame(88_900_000, $made->result->used()->nanometres);
        $mark = Procedures::step(Procedures::procedure('two-sheath-jack'), 'mark');
        self::assertSame('mark at 2 in, from the edge of the screen', $mark->measure?->words());
        $thread = $made->result->end->piece(PieceKind::Thread);
        self::assertSame($made->result->end->piece(PieceKind::Sheath)?->edge->nanometres, $thread?->edge->nanometres);
        self::assertSame(Lie::Wound, $made->result->end->piece(PieceKind::Drain)?->lie);
    }

    /**
     * A jack: compared with its print before anything is pressed, two inches opened and half an inch left; a drain is
     * held round its post once the halves are together, and only then does the foil go that was needed to get there.
     */
    public function test_a_jack_is_compared_with_its_print_and_then_pressed(): void
    {
        $made = Made::by(...self::jack('category-jack', 'cat6-utp'));
        $ids = Procedures::ids($made);
        self::assertSame(['lay', 'print', 'press', 'home', 'shut'], array_slice($ids, -5));
        self::assertSame(38_100_000, $made->usedUp()->nanometres);
        [$procedure, $on, $station] = self::jack('category-jack', 'cat6-utp');
        self::assertContains(
            'The order has to be looked at once more before.',
            Procedures::lacks(Made::by(Procedures::without($procedure, 'print'), $on, $station)),
        );
        self::assertContains(
            'Metal of p1/a is still in its pair.',
            Procedures::lacks(Made::by(Procedures::without($procedure, 'apart'), $on, $station)),
        );
        [$procedure, $on, $station] = self::jack('category-jack-screened', 'cat6a-futp');
        $made = Made::by($procedure, $on, $station);
        self::assertSame(
            ['press', 'drain-wound', 'drain-held', 'foil-off', 'home', 'shut'],
            array_slice(Procedures::ids($made), -6),
        );
        self::assertArrayHasKey('post', $made->result->joined);
        self::assertContains(
            'Drain of drain lies round nothing yet.',
            Procedures::lacks(Made::by(Procedures::without($procedure, 'drain-wound'), $on, $station)),
        );
        self::assertContains(
            'Terminal post is not joined.',
            Made::by(Procedures::without($procedure, 'drain-held'), $on, $station)->unmet,
        );
    }

    /** What others will lie over is told from what lies over it, and from what goes nowhere. */
    public function test_what_lies_under_the_lugs_is_picked_by_itself(): void
    {
        [, $on, $station] = self::phone('pair-braid');
        $keys = static fn (Onto $onto): array => array_map(
            static fn (Piece $piece): string => $station->terminals->of($piece) ?? '',
            array_values(array_filter(
                Picked::by(new Selector([], $onto), $on->end, $station),
                static fn (Piece $piece): bool => $piece->kind->isConductor(),
            )),
        );
        self::assertSame(['sleeve'], array_values(array_unique($keys(Onto::Under))));
        self::assertEqualsCanonicalizing(['tip', 'ring'], $keys(Onto::Over));
        self::assertEqualsCanonicalizing($keys(Onto::Terminal), [...$keys(Onto::Under), ...$keys(Onto::Over)]);
    }

    /** An unscreened plug: sheath at the bar, cores of 13 mm, an inch that the blade was near is gone afterwards. */
    public function test_a_plug_s_cores_are_trimmed_after_they_are_ordered(): void
    {
        $made = Made::by(...self::plug(false));
        self::assertSame(25_400_000, $made->result->used()->nanometres);
        $ids = array_map(static fn (StepMade $step): string => $step->step->id, $made->steps);
        self::assertGreaterThan(array_search('order', $ids, true), array_search('square', $ids, true));
        self::assertGreaterThan(array_search('rip', $ids, true), array_search('blade-end-off', $ids, true));
        self::assertSame('p2/a', $made->result->end->order[0], 'white/orange on 1');
        // A cable that has no separator is asked for none; one that has one is.
        $separators = static fn (array $end): array => array_map(
            static fn (Piece $piece): string => $piece->kind->value,
            array_merge(
                ...array_map(
                    static fn (StepMade $step): array => $step->step->id === 'separator-off'
                        ? $step->doing->pieces
                        : [],
                    Made::by(...$end)->steps,
                ),
            ),
        );
        self::assertSame(['cord'], $separators(self::plug(false)));
        self::assertSame(['separator', 'cord'], $separators(self::plug(true)));
    }

    /** Foil ends at the clips, laid back; the drain, twice as long, is wound round it. */
    public function test_a_screened_plug_s_foil_lies_back_and_its_drain_round_it(): void
    {
        $made = Made::by(...self::screenedPlug('cat6-futp'));
        $end = $made->result->end;
        $sheath = $end->piece(PieceKind::Sheath)->edge ?? Length::zero();
        [$foil, $drain] = [$end->ofKind(PieceKind::Foil)[0], $end->ofKind(PieceKind::Drain)[0]];
        self::assertSame([Lie::Folded, Lie::Wound], [$foil->lie, $drain->lie]);
        // 7/16 in and 7/8 in, as they are marked.
        self::assertSame(11_112_500, $sheath->minus($foil->edge)->nanometres);
        self::assertSame(22_225_000, $sheath->minus($drain->edge)->nanometres);
        self::assertContains('clips', array_map(strval(...), array_keys($made->result->joined)));
        $ids = Procedures::ids($made);
        self::assertLessThan(array_search('foil-short', $ids, true), array_search('square', $ids, true));
        [$procedure, $on, $station] = self::screenedPlug('cat6-futp');
        $without = Made::by(Procedures::without($procedure, 'drain-wound'), $on, $station);
        self::assertContains(
            'Drain round the foil: drain of drain is as it came; it has to be wound.',
            $without->unmet,
        );
    }

    public function test_a_star_quad_s_like_colours_are_one_conductor_and_a_foil_has_nothing_to_be_opened(): void
    {
        $end = Made::by(...self::cup('star-quad'))->result->end;
        $with = array_map(
            static fn (string $core): string => $end->piece(PieceKind::Metal, 'q1/'.$core)->with ?? '',
            ['1', '2', '3', '4'],
        );
        self::assertSame(['2', '3', '2', '3'], $with, 'opposite cores together');
        $ids = static fn (string $cable): array => array_map(
            strval(...),
            Procedures::ids(Made::by(...self::cup($cable))),
        );
        self::assertNotContains('screen-open', $ids('pair-foil'));
        self::assertContains('foil-off', $ids('pair-foil'));
        self::assertContains('screen-open', $ids('pair-braid'));
    }

    /** What cannot arrive later has to lie on the cable before the first heat; what comes from the front need not. */
    public function test_the_gate_knows_what_can_still_arrive(): void
    {
        foreach (['boot-on', 'nut-on'] as $forgotten) {
            foreach ([false, true] as $farOpen) {
                [$procedure, $on, $station] = self::cup('pair-foil', $farOpen);
                $lacks = [];
                foreach (Made::by(Procedures::without($procedure, $forgotten), $on, $station)->steps as $step) {
                    $lacks[$step->step->id] = $step->lacks;
                }
                self::assertSame($farOpen, $lacks['join'] === [], $forgotten);
                // Over the open end it can still come, and has to before it is put in its place.
                self::assertNotSame([], $lacks[$forgotten === 'boot-on' ? 'boot-home' : 'nut-home']);
            }
        }
        [$procedure, $on, $station] = self::cup('pair-foil');
        $swapped = $procedure->steps;
        [$swapped[2], $swapped[3]] = [$swapped[3], $swapped[2]];
        $made = Made::by($procedure->withSteps($swapped), $on, $station);
        self::assertFalse($made->isRight(), 'a nut behind the boot cannot come to the shell');
    }

    public function test_what_lies_under_another_is_joined_first_and_an_open_lug_is_not_filled(): void
    {
        [$procedure, $on, $station] = self::cup('pair-foil');
        $over = Stand::but($station, covers: ['2' => ['1']]);
        self::assertTrue(Made::by($procedure, $on, $over)->isRight(), 'the screen is joined before what covers it');
        $covers = Stand::but($station, covers: ['1' => ['2', '3']]);
        self::assertTrue(Made::by($procedure, $on, $covers)->isRight(), 'and so is what lies under the screen');
        $under = Stand::but($covers, ...['order' => ['1', '2', '3']]);
        $lacks = Procedures::lacks(Made::by($procedure, $on, $under));
        self::assertContains('Terminal 2 lies under 1, which is joined already.', $lacks);
        $lugs = Stand::but($station, throughLugs: true);
        $lacks = Procedures::lacks(Made::by($procedure, $on, $lugs));
        self::assertContains('A lug that was filled takes no wire: wire goes through it first.', $lacks);
    }

    /** The body first, the flap over it, then the clamp, then the lugs: nothing reaches the body later. */
    public function test_a_quarter_inch_plug_has_its_body_joined_first(): void
    {
        [$procedure, $on, $station] = self::phone('pair-foil');
        $at = static fn (MakingProcedure $of): array => array_flip(
            array_map(static fn (MakingStep $step): string => $step->id, $of->steps),
        );
        $steps = $procedure->steps;
        [$steps[$at($procedure)['join-body']], $steps[$at($procedure)['join-cores']]] =
            [$steps[$at($procedure)['join-cores']], $steps[$at($procedure)['join-body']]];
        $lacks = Procedures::lacks(Made::by($procedure->withSteps($steps), $on, $station));
        self::assertContains('Terminal sleeve lies under tip, which is joined already.', $lacks);
        self::assertContains('Terminal sleeve lies under the flap and is not joined yet.', $lacks);
    }

    /** Springs take no pin, and the foam no second crimp; a pin that is wanted has to be there. */
    public function test_fingers_take_no_pin_and_foam_no_second_crimp(): void
    {
        [$procedure, $on, $station] = self::coax('n-fingers', 'coax-50-lowloss', Centre::Fingers, 1);
        $crimp = Procedures::step($procedure, 'crimp');
        $twice = [];
        foreach ($procedure->steps as $step) {
            array_push($twice, ...$step === $crimp ? [$step, $step] : [$step]);
        }
        $lacks = Procedures::lacks(Made::by($procedure->withSteps($twice), $on, $station));
        self::assertContains(
            'The ferrule has all the crimps that it takes: one more would crush what is in it.',
            $lacks,
        );
        $steps = static fn (Centre $centre): array => array_map(
            static fn (StepMade $step): string => $step->step->id,
            Made::by(...self::coax('bnc-crimp', 'coax-75-standard', $centre, 2))->steps,
        );
        self::assertNotContains('pin', $steps(Centre::Captive));
        self::assertContains('pin', $steps(Centre::Pin));
        // The slit lets the body under the sheath; without it there is no way on.
        self::assertContains(
            'The sheath is tight: slit it, so that the body goes under it.',
            Procedures::lacks(Made::by(Procedures::without($procedure, 'slit'), $on, $station)),
        );
    }

    /** Nobody cuts 72 lengths: all of a block have one, and the next block's is a quarter of an inch more. */
    public function test_blocks_have_one_length_each(): void
    {
        [$procedure, $on, $station] = self::rectangular('multicore-24');
        $end = Made::by($procedure, $on, $station)->result->end;
        $sheath = $end->piece(PieceKind::Sheath)->edge ?? Length::zero();
        $lengths = [];
        foreach ($end->ofKind(PieceKind::Metal) as $core) {
            $lengths[$sheath->minus($core->edge)->nanometres] = true;
        }
        self::assertSame(
            array_map(static fn (int $block): int => 120_000_000 + $block * 6_350_000, range(0, 5)),
            array_keys($lengths),
        );
    }

    public function test_what_is_hot_is_not_closed_and_not_joined(): void
    {
        foreach (['tinned-cool' => 'join', 'joints-cool' => 'chuck-in'] as $wait => $then) {
            [$procedure, $on, $station] = self::cup('pair-foil');
            foreach (Made::by(Procedures::without($procedure, $wait), $on, $station)->steps as $step) {
                if ($step->step->id === $then) {
                    self::assertStringContainsString('still hot', implode(' ', $step->lacks));
                }
            }
        }
    }

    public function test_every_procedure_keeps_to_the_published_schema(): void
    {
        $schema = (string) file_get_contents(dirname(__DIR__, 3).'/docs/schema/procedure.schema.json');
        foreach (glob(dirname(__DIR__, 3).'/catalogue/procedures/*.json') ?: [] as $file) {
            $read = json_decode((string) file_get_contents($file), false, 512, JSON_THROW_ON_ERROR);
            $result = (new Validator())->validate($read, $schema);
            self::assertTrue($result->isValid(), $file.' '.json_encode($result->error()?->message()));
        }
        $known = json_decode($schema, true, 512, JSON_THROW_ON_ERROR);
        self::assertSame(array_column(Verb::cases(), 'value'), $known['$defs']['step']['properties']['do']['enum']);
        self::assertSame(array_column(PieceKind::cases(), 'value'), $known['$defs']['pieces']['items']['enum']);
        self::assertSame(array_column(Lie::cases(), 'value'), $known['$defs']['demand']['properties']['lies']['enum']);
    }

    public function test_a_procedure_is_written_as_it_is_read(): void
    {
        foreach (glob(dirname(__DIR__, 3).'/catalogue/procedures/*.json') ?: [] as $file) {
            $id = basename($file, '.json');
            $encoded = MakingCodec::encode(Procedures::procedure($id));
            $problems = new Problems();
            $again = MakingCodec::decode(
                Fields::from(json_decode((string) json_encode($encoded), true), 'procedure', $problems),
            );
            $problems->settle();
            self::assertEquals(Procedures::procedure($id), $again);
        }
    }

    /** @return iterable<string, array{list<int|string>, mixed, string}> where, what stands there, what is said */
    public static function mistakes(): iterable
    {
        yield 'a verb that there is not' => [['steps', 0, 'do'], 'glue', 'steps[0].do'];
        yield 'a piece that there is not' => [['steps', 2, 'of'], ['rind'], 'steps[2].of'];
        yield 'two of one name' => [['steps', 3, 'id'], 'boot-on', 'steps[3].id'];
        yield 'a length that is none' => [['steps', 5, 'measure', 'length'], 'two hands', 'steps[5].measure.length'];
        yield 'a length below nothing' => [['steps', 5, 'measure', 'length'], '-3 mm', 'steps[5].measure.length'];
        yield 'a demand that nothing meets' => [['demands', 0, 'most'], '1 mm', 'demands[0].most'];
        yield 'a field too many' => [['steps', 0, 'speed'], 'fast', 'steps[0].speed'];
        yield 'a mark that nobody made' => [
            ['steps', 3, 'measure'],
            ['length' => '0 mm', 'kind' => 'mark', 'from' => 'mark', 'mark' => 'coil'],
            'steps[3].measure.mark',
        ];
        yield 'no steps' => [['steps'], [], 'steps'];
    }

    /** @param  list<int|string>  $where */
    #[DataProvider('mistakes')]
    public function test_bad_input_names_the_step_and_the_value(array $where, mixed $value, string $said): void
    {
        $json = Procedures::json('cup-3-pole');
        $at = &$json;
        foreach ($where as $key) {
            self::assertIsArray($at);
            $at = &$at[$key];
        }
        $at = $value;
        unset($at);
        $problems = new Problems();
        $fields = Fields::from($json, 'procedure', $problems);
        try {
            MakingCodec::decode($fields);
            $fields->done();
            $problems->settle();
            self::fail('nothing was said');
        } catch (InvalidDocument $invalid) {
            self::assertStringContainsString($said, $invalid->getMessage());
        }
    }
}
