<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Compatibility\ImpedanceRule;
use Sartal\Core\Ends\Preparing\Blocks;
use Sartal\Core\Ends\Preparing\HoodLengths;
use Sartal\Core\Ends\Preparing\WorkOrder;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Catalogue\DiameterRange;
use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Catalogue\GaugeRange;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Catalogue\Strands;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\JoinOrder;
use Sartal\Core\Work\Bench\EndSheets;
use Tests\Support\Bench;

/** The rules of fit at their edges, and what must hold whatever the connector. */
final class FitEdgesTest extends TestCase
{
    public function test_a_range_takes_its_own_ends_and_nothing_beyond(): void
    {
        $range = new DiameterRange(Length::millimetres(3), Length::millimetres(8));
        foreach (
            [
                ['2.999 mm', false],
                ['3 mm', true],
                ['8 mm', true],
                ['8.001 mm', false],
                ['1/8 in', true],
            ] as [$text, $taken]
        ) {
            self::assertSame($taken, $range->takes(Length::parse($text)), $text);
        }
    }

    /** 0.5 mm² is nearly 20 AWG (0.518 mm², ASTM B258): the same size in another system must fit. */
    public function test_equal_sizes_of_two_systems_fit_each_other(): void
    {
        $awg = new GaugeRange(Gauge::awg(24), Gauge::awg(20));
        self::assertTrue($awg->takes(Gauge::parse('0.5 mm2')));
        self::assertTrue($awg->takes(Gauge::awg(20)));
        self::assertTrue($awg->takes(Gauge::awg(24)));
        self::assertFalse($awg->takes(Gauge::awg(18)));
        self::assertFalse($awg->takes(Gauge::awg(26)));
        self::assertTrue($awg->takesArea(0.2) && ! $awg->takesArea(0.19));
    }

    /** Two star-quad cores in one cup: 2 × 0.205 mm² of 24 AWG is more than 22 AWG and less than 20 AWG (ASTM B258). */
    public function test_wires_in_one_terminal_add_up(): void
    {
        $two = 2 * Gauge::awg(24)->area;
        self::assertTrue((new GaugeRange(Gauge::awg(28), Gauge::awg(20)))->takesArea($two));
        self::assertFalse((new GaugeRange(Gauge::awg(28), Gauge::awg(22)))->takesArea($two));
        $narrow = Bench::of(
            Bench::request('A-1', 'star-quad', ['analogue'], ['xlr3-male-cable-balanced'], []),
        )->withCatalogueEdited(['connectors.xlr3-male-cable.cable.terminals.0.gauge' => ['28 AWG', '22 AWG']]);
        self::assertContains('fit.gauge-too-thick', Bench::codes($narrow->plan()->findings()));
        $single = Bench::of(
            Bench::request('A-1', 'pair-foil', ['analogue'], ['xlr3-male-cable-balanced'], []),
        )->withCatalogueEdited(['connectors.xlr3-male-cable.cable.terminals.0.gauge' => ['28 AWG', '22 AWG']]);
        self::assertNotContains('fit.gauge-too-thick', Bench::codes($single->plan()->findings()));
    }

    /** @return iterable<string, array{Strands, int, bool}> */
    public static function strands(): iterable
    {
        yield 'solid takes solid' => [Strands::Solid, 1, true];
        yield 'solid refuses seven' => [Strands::Solid, 7, false];
        yield 'stranded takes seven' => [Strands::Stranded, 7, true];
        yield 'stranded refuses solid' => [Strands::Stranded, 1, false];
        yield 'what is not stated is not refused' => [Strands::Stranded, 0, true];
        yield 'nor by solid' => [Strands::Solid, 0, true];
        yield 'any takes both' => [Strands::Any, 1, true];
    }

    #[DataProvider('strands')]
    public function test_solid_and_stranded(Strands $made, int $count, bool $takes): void
    {
        self::assertSame($takes, $made->takes($count));
    }

    /** 50 Ω and 75 Ω differ, 110 Ω and 120 Ω pass for each other: common practice. */
    public function test_when_impedances_differ(): void
    {
        self::assertTrue(ImpedanceRule::differ(50, 75));
        self::assertFalse(ImpedanceRule::differ(110, 120));
        self::assertTrue(ImpedanceRule::differ(100, 120));
        self::assertFalse(ImpedanceRule::differ(75, 74.6));
        self::assertSame(ImpedanceRule::differ(50, 60), ImpedanceRule::differ(60, 50));
    }

    public function test_a_fire_class_meets_itself_and_those_below(): void
    {
        $classes = FireClass::cases();
        foreach ($classes as $i => $own) {
            foreach ($classes as $j => $needed) {
                self::assertSame($i >= $j, $own->meets($needed));
            }
        }
    }

    public function test_a_part_may_be_for_some_jackets_only(): void
    {
        $ferrule = new Part(
            'f',
            'f',
            PartKind::Ferrule,
            grips: new DiameterRange(Length::millimetres(5), Length::millimetres(6)),
            jackets: ['thin'],
        );
        self::assertTrue($ferrule->fitsOver(Length::millimetres(5.5), 'thin'));
        self::assertFalse($ferrule->fitsOver(Length::millimetres(5.5), 'standard'));
        self::assertFalse($ferrule->fitsOver(Length::millimetres(7), 'thin'));
        self::assertFalse(
            (new Part('g', 'g', PartKind::Ferrule))->fitsOver(Length::millimetres(5), 'thin'),
            'what says nothing fits nothing',
        );
    }

    /** Whatever the connector: a core is never shorter than straight, and the exit's depth is in every length. */
    public function test_hood_lengths_are_sums_and_never_less_than_their_depth(): void
    {
        $catalogue = ShippedCatalogue::load();
        $checked = 0;
        foreach ($catalogue->connectors() as $id => $type) {
            foreach ($type->cable->exits as $exit) {
                $hood = new HoodLengths(FittingLayout::ofType($type, $catalogue), $exit);
                foreach ($type->cavities as $cavity) {
                    $worked = $hood->to($cavity->address);
                    self::assertNotNull($worked);
                    self::assertGreaterThanOrEqual($exit->depth->nanometres, $worked->result->nanometres, $id);
                    self::assertSame(
                        $worked->exact->nanometres,
                        $worked->terms[0]->amount->plus($worked->terms[1]->amount)->nanometres,
                    );
                    $checked++;
                }
                self::assertNull($hood->to('no such contact'));
            }
        }
        self::assertGreaterThan(700, $checked);
    }

    /** Two terminals are never further apart in length than in place: the triangle inequality. */
    public function test_lengths_to_neighbours_differ_by_no_more_than_their_distance(): void
    {
        $catalogue = ShippedCatalogue::load();
        $type = $catalogue->connectors()['rect90-male'];
        foreach ($type->cable->exits as $exit) {
            $hood = new HoodLengths(FittingLayout::ofType($type, $catalogue), $exit);
            foreach ($type->cavities as $i => $cavity) {
                $next = $type->cavities[$i + 1] ?? $type->cavities[0];
                $apart = hypot($cavity->wiring->x - $next->wiring->x, $cavity->wiring->y - $next->wiring->y);
                $difference = abs(
                    ($hood->to($cavity->address)?->result->inMillimetres() ?? 0) -
                        ($hood->to($next->address)?->result->inMillimetres() ?? 0),
                );
                self::assertLessThanOrEqual($apart + 0.002, $difference);
            }
        }
    }

    public function test_blocks_have_one_shortest_and_the_colours_of_their_digits(): void
    {
        $catalogue = ShippedCatalogue::load();
        foreach ($catalogue->plans() as $plan) {
            $type = $catalogue->connectors()[$plan->connector];
            foreach ($plan->block > 0 && $type->cable->staggered ? $type->cable->exits : [] as $exit) {
                $blocks = Blocks::in($plan, FittingLayout::ofType($type, $catalogue), $exit);
                self::assertSame((int) ceil(count($plan->channels) / $plan->block), count($blocks), $plan->id);
                self::assertSame(0, min(array_map(static fn ($block): int => $block->offset->nanometres, $blocks)));
                self::assertSame(
                    array_map(strval(...), array_keys($plan->channels)),
                    array_merge(...array_map(static fn ($block): array => $block->channels, $blocks)),
                );
            }
        }
        // IEC 60062 digits: 1 brown … 9 white, and the tenth is black again.
        self::assertSame(
            ['brown', 'red', 'orange', 'yellow', 'green', 'blue', 'violet', 'grey', 'white', 'black'],
            array_map(Blocks::colour(...), range(1, 10)),
        );
    }

    /**
     * What is walled in by its neighbours is done first, block by block: a block's depth is the mean of its channels'.
     */
    public function test_the_deepest_block_is_joined_first(): void
    {
        $bench = Bench::stageBox();
        $catalogue = $bench->installation->catalogue;
        $plan = $catalogue->plans()['rect90-male-24ch'];
        $type = $catalogue->connectors()['rect90-male'];
        $layout = FittingLayout::ofType($type, $catalogue);
        $sorted = (new WorkOrder(
            JoinOrder::HardestFirst,
            $layout,
            ['screen' => -1, 'hot' => 0, 'cold' => 1],
            $plan,
        ))->sorted($bench->plan()->runs['M-1']->end(Side::B)->joints);
        $depth = static fn (Joint $joint): float => min(
            $type->outline->width->inMillimetres() / 2 - abs($layout->cavities[$joint->address()]->wiring->x ?? 0.0),
            $type->outline->height->inMillimetres() / 2 - abs($layout->cavities[$joint->address()]->wiring->y ?? 0.0),
        );
        $blocks = $seen = [];
        foreach ($sorted as $joint) {
            $block = $plan->blockOf($joint->channel);
            if (! isset($seen[$joint->channel])) {
                $seen[$joint->channel] = true;
                $blocks[$block][] = $depth($joint);
            }
        }
        self::assertGreaterThan(2, count($blocks));
        $means = array_map(
            static fn (array $of): float => round(array_sum($of) / count($of), 6),
            array_values($blocks),
        );
        $deepest = $means;
        rsort($deepest);
        self::assertSame($deepest, $means);
        self::assertNotSame(array_keys($blocks), range(min(array_keys($blocks)), max(array_keys($blocks))));
    }

    /** Sorting joints loses none and repeats none, under any rule. */
    public function test_the_order_of_work_is_a_permutation(): void
    {
        $bench = Bench::stageBox();
        $joints = $bench->plan()->runs['M-1']->end(Side::B)->joints;
        $catalogue = $bench->installation->catalogue;
        foreach (JoinOrder::cases() as $rule) {
            foreach ([null, $catalogue->plans()['rect90-male-24ch']] as $plan) {
                $sorted = (new WorkOrder(
                    $rule,
                    FittingLayout::ofType($catalogue->connectors()['rect90-male'], $catalogue),
                    ['screen' => -1, 'hot' => 0, 'cold' => 1],
                    $plan,
                ))->sorted($joints);
                $ids = static fn (array $of): array => array_map(static fn (Joint $joint): string => $joint->id(), $of);
                self::assertEqualsCanonicalizing($ids($joints), $ids($sorted));
                $channels = array_map(static fn (Joint $joint): string => $joint->channel, $sorted);
                self::assertCount(
                    24,
                    array_unique(
                        array_map(
                            static fn (int $i): string => $channels[$i].($channels[$i - 1] ?? ''),
                            array_filter(
                                array_keys($channels),
                                static fn (int $i): bool => $i === 0 || $channels[$i] !== $channels[$i - 1],
                            ),
                        ),
                    ),
                    'a channel is joined in one go',
                );
            }
        }
    }

    /** Every end that has joints has a sheet, and every joint of the plan is on it once. */
    public function test_a_sheet_holds_every_joint_of_its_end(): void
    {
        $file = \Sartal\Core\File\InstallationFile::parse(
            (string) file_get_contents(dirname(__DIR__, 3).'/database/demo/brackwater.json'),
        );
        $in = $file->installation;
        $plan = (new \Sartal\Core\Plan\Planning\Planner())->plan($in, $file->record);
        $sheets = new EndSheets($in);
        foreach ($in->runs() as $run) {
            foreach (Side::cases() as $side) {
                $sheet = $sheets->of($run, $side, $plan->runs[$run->id]);
                self::assertNotNull($sheet);
                $on = [];
                foreach ($sheet->fittings as $fitting) {
                    foreach ($fitting->legs as $leg) {
                        array_push(
                            $on,
                            ...array_map(static fn ($core): string => $core->joint->id(), $leg->preparation->cores),
                        );
                        self::assertTrue($leg->isRight(), $run->code);
                        self::assertNotSame([], $leg->preparation->tools, $run->code);
                    }
                }
                $planned = array_map(
                    static fn (Joint $joint): string => $joint->id(),
                    $plan->runs[$run->id]->end($side)->joints,
                );
                self::assertEqualsCanonicalizing($planned, $on, $run->code.' '.$side->value);
                self::assertEqualsCanonicalizing(array_keys($sheet->fittings), array_merge(...$sheet->alike, ...[[]]));
            }
        }
    }
}
