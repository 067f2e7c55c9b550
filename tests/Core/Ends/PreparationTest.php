<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Preparing\Block;
use Sartal\Core\Ends\Preparing\Blocks;
use Sartal\Core\Ends\Preparing\HoodLengths;
use Sartal\Core\Ends\Wiring\FittingLayout;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\ShellBond;
use Sartal\Core\Work\Bench\EndSheet;
use Sartal\Core\Work\Bench\EndSheets;
use Tests\Support\Bench;

/** Marks, staggered cuts, what slides on first. */
final class PreparationTest extends TestCase
{
    private static function sheet(Bench $bench, string $run, Side $side): EndSheet
    {
        $sheet = (new EndSheets($bench->installation))->of(
            $bench->installation->runs()[$run],
            $side,
            $bench->plan()->runs[$run],
        );
        self::assertNotNull($sheet);

        return $sheet;
    }

    /** @return list<string> */
    private static function offsets(
        string $exit,
        string $connector = 'rect90-male',
        string $plan = 'rect90-male-24ch',
    ): array {
        $catalogue = ShippedCatalogue::load();
        $type = $catalogue->connectors()[$connector];
        $at = $type->cable->exit($exit);
        self::assertNotNull($at);
        self::assertSame($exit, $at->name);

        return array_map(
            static fn (Block $block): string => $block->offset->canonical(),
            Blocks::in($catalogue->plans()[$plan], FittingLayout::ofType($type, $catalogue), $at),
        );
    }

    /** Four blocks on a side exit, 6.35 mm between blocks: common practice. */
    public function test_four_blocks_on_a_side_exit_are_staggered_by_a_quarter_inch(): void
    {
        self::assertSame(['0 mm', '6.35 mm', '12.7 mm', '19.05 mm'], self::offsets('right side'));
        self::assertSame(
            ['0 mm', '6.35 mm', '12.7 mm', '19.05 mm'],
            array_reverse(self::offsets('left side')),
            'the exit moved to the other side reverses them',
        );
    }

    public function test_the_female_is_the_mirror(): void
    {
        self::assertSame(
            self::offsets('right side'),
            array_reverse(self::offsets('right side', 'rect90-female', 'rect90-female-24ch')),
        );
    }

    public function test_a_central_exit_is_symmetric(): void
    {
        $catalogue = ShippedCatalogue::load();
        foreach (['rect56-male', 'rect90-male', 'rect120-female', 'dsub25-male', 'modular-frame-4'] as $id) {
            $type = $catalogue->connectors()[$id];
            $rear = $type->cable->exit('rear');
            self::assertNotNull($rear);
            $hood = new HoodLengths(FittingLayout::ofType($type, $catalogue), $rear);
            $lengths = [];
            foreach ($type->cavities as $cavity) {
                $lengths[abs($cavity->wiring->x).' '.abs($cavity->wiring->y)][] = $hood->to(
                    $cavity->address,
                )?->result->nanometres;
            }
            foreach ($lengths as $equal) {
                self::assertCount(1, array_unique($equal), $id);
            }
        }
        [$first, $second, $third, $fourth] = self::offsets('rear', 'rect56-male', 'rect56-male-16ch');
        self::assertSame(['0 mm', '0 mm'], [$second, $third]);
        self::assertSame($first, $fourth);
        self::assertNotSame('0 mm', $first);
    }

    public function test_every_core_in_a_hood_is_cut_to_its_own_terminal(): void
    {
        $bench = Bench::stageBox();
        $lengths = static function (string $exit) use ($bench): array {
            $lengths = [];
            foreach (
                self::sheet($bench->withFitting('M-1.b1', exit: $exit), 'M-1', Side::B)->fittings[0]->legs[0]
                    ->preparation->cores as $core
            ) {
                $lengths[$core->joint->address()] = $core->reach ?? self::fail('no hood says it');
            }

            return $lengths;
        };
        $right = $lengths('right side');
        self::assertCount(72, $right);
        self::assertLessThan($right['D9']->result->nanometres, $right['A9']->result->nanometres);
        $left = $lengths('left side');
        self::assertGreaterThan($left['D9']->result->nanometres, $left['A9']->result->nanometres);
        // Pythagoras: 12 mm in, 6 mm along and 2 mm up from the exit to A9.
        self::assertEqualsWithDelta(12 + hypot(6, 2), $right['A9']->result->inMillimetres(), 0.001);
        self::assertSame(
            $right['A9']->result->nanometres,
            array_sum(array_map(static fn ($term): int => $term->amount->nanometres, $right['A9']->terms)),
        );
    }

    /** Cores of one end may differ: the screen of a phone plug is cut to 6 mm (common practice). */
    public function test_cores_of_a_phone_plug_have_lengths_of_their_own(): void
    {
        $bench = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], ['trs-balanced'], []));
        $lengths = [];
        $leg = self::sheet($bench, 'A-1', Side::A)->fittings[0]->legs[0];
        foreach ($leg->preparation->cores as $core) {
            $lengths[$core->joint->function] = $leg->reach($core)?->canonical();
        }
        self::assertSame('6 mm', $lengths['screen']);
        self::assertNotSame($lengths['hot'], $lengths['cold']);
    }

    public function test_a_length_says_which_procedure_leaves_it(): void
    {
        $bench = Bench::of(Bench::request('A-1', 'pair-foil', ['analogue'], ['terminal3-balanced'], []));
        $own = $bench->withCatalogueEdited(['procedures.screw-terminals.reaches' => [
            ['function' => 'hot', 'length' => '28.5 mm'],
            ['length' => '25 mm'],
        ]]);
        $leg = self::sheet($own, 'A-1', Side::A)->fittings[0]->legs[0];
        foreach ($leg->preparation->cores as $core) {
            $isHot = $core->joint->function === 'hot';
            self::assertSame($isHot ? '28.5 mm' : '25 mm', $leg->reach($core)?->canonical());
            self::assertSame('procedure '.$leg->made->procedure->name, $leg->worked($core)->terms[0]->source);
        }
    }

    /** Three conductors of equal length at a 3-pole connector: common practice. */
    public function test_cores_of_a_three_pole_connector_are_equal(): void
    {
        self::assertFalse(self::sheet(Bench::microphone(), 'A-1', Side::A)->isMains());
        $leg = self::sheet(Bench::microphone(), 'A-1', Side::A)->fittings[0]->legs[0];
        $lengths = array_map(
            static fn ($core): string => $leg->reach($core)?->canonical() ?? '',
            $leg->preparation->cores,
        );
        self::assertCount(1, array_unique($lengths));
        self::assertNotContains('', $lengths);
    }

    /** The protective earth parts last: common practice and most local codes. */
    public function test_the_protective_earth_is_longest_and_the_sheet_warns(): void
    {
        $bench = Bench::of(
            Bench::request(
                'P-1',
                'composite',
                ['mains', 'analogue'],
                ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
                [],
            ),
        );
        $sheet = self::sheet($bench, 'P-1', Side::A);
        self::assertTrue($sheet->isMains());
        [$mains, $signal] = $sheet->fittings;
        $lengths = [];
        foreach ($mains->legs[0]->preparation->cores as $core) {
            $lengths[$core->joint->function] = $mains->legs[0]->reach($core)->nanometres ?? 0;
        }
        self::assertGreaterThan(max($lengths['line'], $lengths['neutral']), $lengths['earth']);
        self::assertSame($lengths['line'], $lengths['neutral']);
        self::assertStringContainsString('licensed', implode(' ', $mains->legs[0]->preparation->cautions));
        self::assertStringContainsString('local code', implode(' ', $mains->legs[0]->preparation->cautions));
        self::assertStringNotContainsString('licensed', implode(' ', $signal->legs[0]->preparation->cautions));
    }

    /** @return iterable<string, array{string, string, string, list<string>}> */
    public static function slides(): iterable
    {
        yield 'thin cable' => [
            'pair-foil',
            'analogue',
            'xlr3-male-cable-balanced',
            ['boot-3pole-black', 'nut-3pole', 'shell-3pole', 'chuck-narrow'],
        ];
        yield 'thick cable' => [
            'pair-lapped',
            'analogue',
            'xlr3-male-cable-balanced',
            ['boot-3pole-black', 'nut-3pole', 'shell-3pole', 'chuck-wide'],
        ];
        yield 'miniature coax' => [
            'coax-75-mini',
            'video',
            'bnc75-plug-video',
            ['boot-bnc-black', 'ferrule-coax-mini'],
        ];
        yield 'thin jacket' => ['coax-75-plenum', 'video', 'bnc75-plug-video', ['boot-bnc-black', 'ferrule-coax-thin']];
        yield 'large coax' => ['coax-75-12g', 'video', 'bnc75-plug-video', ['boot-bnc-black', 'ferrule-coax-large']];
        yield 'low-loss' => ['coax-50-lowloss', 'radio', 'n-plug-radio', ['shrink-3to1-24', 'ferrule-coax-lowloss']];
        yield 'category plug' => ['cat6-utp', 'network', '8p8c-plug-t568b', ['boot-8p8c-black']];
        yield 'loudspeaker' => [
            'loudspeaker-4',
            'loudspeaker',
            'speaker4-cable-2',
            ['nut-speaker', 'shell-speaker', 'chuck-speaker-wide'],
        ];
    }

    /** @param  list<string>  $expected */
    #[DataProvider('slides')]
    public function test_what_goes_on_before_the_connector(
        string $cable,
        string $signal,
        string $plan,
        array $expected,
    ): void {
        $sheet = self::sheet(Bench::of(Bench::request('X-1', $cable, [$signal], [$plan], [])), 'X-1', Side::A);
        self::assertSame(
            $expected,
            array_map(
                static fn ($slide): string => $slide->part->id,
                $sheet->fittings[0]->legs[0]->preparation->slides,
            ),
        );
    }

    public function test_a_chucks_tab_is_cut_for_thick_cable_and_a_boot_may_be_coloured(): void
    {
        $data = self::sheet(
            Bench::of(Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], [])),
            'D-1',
            Side::A,
        );
        $notes = array_map(
            static fn ($slide): string => $slide->note,
            $data->fittings[0]->legs[0]->preparation->slides,
        );
        self::assertSame('', implode('', $notes), '6.4 mm leaves the tab on');
        $thick = Bench::of(Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], []))->withCatalogueEdited([
            'cables.data-2pair.outerDiameter' => '7.2 mm',
        ]);
        self::assertStringContainsString(
            'tab',
            implode(
                '',
                array_map(
                    static fn ($slide): string => $slide->note,
                    self::sheet($thick, 'D-1', Side::A)->fittings[0]->legs[0]->preparation->slides,
                ),
            ),
        );
        $green = self::sheet(Bench::microphone()->withFitting('A-1.a1', parts: ['boot-3pole-green']), 'A-1', Side::A);
        self::assertSame('boot-3pole-green', $green->fittings[0]->legs[0]->preparation->slides[0]->part->id);
    }

    public function test_a_parted_end_has_a_breakout_boot_and_equal_tails_are_described_once(): void
    {
        $sheet = self::sheet(Bench::stageBox(), 'M-1', Side::A);
        self::assertSame('breakout-24', $sheet->breakout?->part->id);
        self::assertCount(24, $sheet->fittings);
        self::assertSame([range(0, 23)], $sheet->alike);
        self::assertNull(self::sheet(Bench::microphone(), 'A-1', Side::A)->breakout);
    }

    /** A jack's slots follow their own print, and the test is by pin: common practice. */
    public function test_a_jacks_own_print_is_shown_beside_the_pins(): void
    {
        $sheet = self::sheet(Bench::category('8p8c-jack-t568b'), 'C-1', Side::B);
        self::assertEqualsCanonicalizing(['1', '2', '3', '4', '5', '6', '7', '8'], $sheet->fittings[0]->print);
        self::assertNotSame(['1', '2', '3', '4', '5', '6', '7', '8'], $sheet->fittings[0]->print);
        self::assertSame([], self::sheet(Bench::category(), 'C-1', Side::A)->fittings[0]->print);
    }

    public function test_a_sheet_has_the_plan_of_its_connector_and_measures_its_blocks(): void
    {
        $of = static fn (Bench $bench, string $run, Side $side): array => [
            self::sheet($bench, $run, $side)->fittings[0]->plan?->id,
            count(self::sheet($bench, $run, $side)->fittings[0]->blocks),
        ];
        // Four columns of six channels.
        self::assertSame(['rect90-male-24ch', 4], $of(Bench::stageBox(), 'M-1', Side::B));
        self::assertSame(['xlr3-female-cable-balanced', 0], $of(Bench::microphone(), 'A-1', Side::A));
    }

    public function test_how_shells_are_joined_is_asked_where_screens_telescope(): void
    {
        $asked = static fn (Bench $bench, string $run): bool => in_array(
            ShellBond::key(),
            array_map(static fn ($rule): string => $rule->answer::key(), self::sheet($bench, $run, Side::A)->rules),
            true,
        );
        self::assertTrue($asked(Bench::microphone(), 'A-1'));
        self::assertFalse($asked(Bench::coax(), 'V-1'));
        self::assertFalse($asked(Bench::category(), 'C-1'));
    }

    public function test_only_the_rules_that_bear_on_an_end_are_on_its_sheet(): void
    {
        $keys = static fn (EndSheet $sheet): array => array_map(
            static fn ($rule): string => $rule->answer::key(),
            $sheet->rules,
        );
        $coax = $keys(self::sheet(Bench::coax(), 'V-1', Side::A));
        self::assertNotContains('hotColour', $coax);
        self::assertNotContains('mainsEnds', $coax);
        $microphone = $keys(self::sheet(Bench::microphone(), 'A-1', Side::A));
        self::assertContains('hotColour', $microphone);
        self::assertContains('screenTinning', $microphone);
        self::assertNotContains('contactsMade', $microphone);
        self::assertContains('contactsMade', $keys(self::sheet(Bench::stageBox(), 'M-1', Side::B)));
    }

    /** 24 channels × 3 = 72 contacts of 90: common practice. */
    public function test_loose_contacts_are_chosen_by_gauge_and_gender(): void
    {
        $preparation = self::sheet(Bench::stageBox(), 'M-1', Side::B)->fittings[0]->legs[0]->preparation;
        self::assertSame(
            ['contact-rect-male-fine'],
            array_map(static fn ($part): string => $part->id, $preparation->contacts),
        );
        self::assertCount(72, $preparation->cores);
        self::assertCount(90, ShippedCatalogue::load()->connectors()['rect90-male']->cavities);
    }

    /**
     * A core that is longer than usual needs the sheath off further back; its tip is bared as before. Of mains the
     * protective earth parts last: common practice.
     */
    public function test_the_sheath_comes_off_as_far_as_the_longest_core_needs(): void
    {
        foreach (['rear', 'left side', 'right side'] as $exit) {
            $leg = self::sheet(Bench::stageBox()->withFitting('M-1.b1', exit: $exit), 'M-1', Side::B)
                ->fittings[0]->legs[0];
            self::assertTrue($leg->isRight(), $exit);
            $fitting = self::sheet(Bench::stageBox()->withFitting('M-1.b1', exit: $exit), 'M-1', Side::B)->fittings[0];
            foreach ($fitting->blocks as $block) {
                $to = $block->length->result->roundedUpTo(Length::millimetres(1))->canonical();
                foreach ($leg->preparation->cores as $core) {
                    if (in_array($core->joint->channel, $block->channels, true)) {
                        self::assertSame($to, $leg->reach($core)?->canonical(), $exit.' '.$core->joint->address());
                    }
                }
            }
        }
        $mains = self::sheet(
            Bench::of(
                Bench::request(
                    'P-1',
                    'composite',
                    ['mains', 'analogue'],
                    ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
                    [],
                ),
            ),
            'P-1',
            Side::A,
        )->fittings[0]->legs[0];
        $lengths = [];
        foreach ($mains->preparation->cores as $core) {
            $lengths[$core->joint->function] = $mains->reach($core)?->canonical();
        }
        ksort($lengths);
        self::assertSame(['earth' => '40 mm', 'line' => '30 mm', 'neutral' => '30 mm'], $lengths);
    }
}
