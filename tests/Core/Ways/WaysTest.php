<?php

declare(strict_types=1);

namespace Tests\Core\Ways;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Catalogue\FireClass;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Environment;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Takes;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\RunRequest;
use Sartal\Core\Ways\Routing\BendRule;
use Sartal\Core\Ways\Routing\FillRule;
use Sartal\Core\Ways\Routing\Sizes;
use Tests\Support\Bench;
use Tests\Support\Site;

/** Ways that runs find, what a way takes, and what lies in it. */
final class WaysTest extends TestCase
{
    /** @return list<string> */
    private static function route(Bench $bench, string $run): array
    {
        return $bench->plan()->layout->routes[$run]->ways();
    }

    private static function finding(Bench $bench, string $code): Finding
    {
        foreach ($bench->plan()->findings() as $finding) {
            if ($finding->code === $code) {
                return $finding;
            }
        }
        self::fail(
            sprintf(
                'No finding %s among: %s',
                $code,
                implode(', ', array_map(static fn (Finding $each): string => $each->code, $bench->plan()->findings())),
            ),
        );
    }

    public function test_a_run_takes_the_shortest_way_and_another_once_there_is_a_shorter(): void
    {
        self::assertSame(['to-left', 'tray'], self::route(Site::of(Site::ways(), Site::run('A-1')), 'A-1'));
        $shorter = Site::ways(Site::way('duct', WayKind::Trunking, 9, 'left', 'rack'));
        self::assertSame(['duct'], self::route(Site::of($shorter, Site::run('A-1')), 'A-1'));
        $longer = Site::ways(Site::way('duct', WayKind::Trunking, 15, 'left', 'rack'));
        self::assertSame(['to-left', 'tray'], self::route(Site::of($longer, Site::run('A-1')), 'A-1'));
    }

    /** @return iterable<string, array{Way, string, bool}> a shorter way, a cable, whether it may take it */
    public static function permits(): iterable
    {
        $duct = static fn (mixed ...$more): Way => Site::way(
            'duct',
            WayKind::Trunking,
            5,
            'left',
            'rack',
            null,
            ...$more,
        );
        yield 'mains only, signal' => [$duct(takes: Takes::Mains), 'pair-foil', false];
        yield 'signal only, signal' => [$duct(takes: Takes::Signal), 'pair-foil', true];
        yield 'outdoor, indoor cable' => [$duct(environment: [Environment::Outdoor]), 'cat6-utp', false];
        yield 'outdoor, outdoor cable' => [$duct(environment: [Environment::Outdoor]), 'cat6-utp-outdoor', true];
        yield 'air-handling, general cable' => [$duct(environment: [Environment::AirHandling]), 'pair-foil', false];
        yield 'air-handling, its cable' => [$duct(environment: [Environment::AirHandling]), 'pair-foil-plenum', true];
        yield 'riser class asked for, general cable' => [$duct(fire: FireClass::Riser), 'pair-foil', false];
        yield 'near mains, screened' => [$duct(environment: [Environment::NearMains]), 'pair-foil', true];
        yield 'near mains, no screen' => [$duct(environment: [Environment::NearMains]), 'cat6-utp', false];
        yield 'damp' => [$duct(environment: [Environment::Damp]), 'pair-foil', true];
    }

    #[DataProvider('permits')]
    public function test_a_shorter_way_is_taken_only_where_the_cable_is_let_in(
        Way $shorter,
        string $cable,
        bool $taken,
    ): void {
        $network = str_starts_with($cable, 'cat');
        $run = $network
            ? new RunRequest(
                'A-1',
                'A-1',
                $cable,
                ['network'],
                \Sartal\Core\Given\Installation\Build::Shop,
                self::plug('left'),
                self::plug('rack'),
                [],
            )
            : Site::run('A-1', cable: $cable);
        self::assertSame(
            $taken ? ['duct'] : ['to-left', 'tray'],
            self::route(Site::of(Site::ways($shorter), $run), 'A-1'),
        );
    }

    private static function plug(string $location): \Sartal\Core\Plan\Proposing\Termination
    {
        return new \Sartal\Core\Plan\Proposing\Termination(
            $location,
            ['8p8c-plug-t568b'],
            Length::metres(1),
            Length::zero(),
            Length::millimetres(40),
            0,
            Length::zero(),
        );
    }

    public function test_a_pinned_run_stays_on_its_ways_and_says_where_they_break(): void
    {
        $shorter = Site::ways(Site::way('duct', WayKind::Trunking, 5, 'left', 'rack'));
        $bench = Site::of($shorter, Site::run('A-1'));
        $pinned = self::pinned($bench, ['to-left', 'tray']);
        self::assertSame(['to-left', 'tray'], self::route($pinned, 'A-1'));
        $broken = self::finding(self::pinned($bench, ['to-left', 'riser']), 'route.broken');
        self::assertStringContainsString('A-1', $broken->words);
        self::assertStringContainsString('Hall', $broken->words);
        self::assertNotSame('', $broken->remedy);
    }

    /** @param  list<string>  $ways */
    private static function pinned(Bench $bench, array $ways): Bench
    {
        $run = $bench->installation->runs()['A-1'];

        return $bench->withRun(
            new Run(
                $run->id,
                $run->code,
                $run->cable,
                $run->build,
                $run->a,
                $run->b,
                $ways,
                $run->carries,
                $run->loom,
                $run->note,
            ),
        );
    }

    public function test_ways_that_do_not_connect_are_found_with_the_places_between_which_they_break(): void
    {
        $ways = Site::ways();
        unset($ways['tray']);
        $finding = self::finding(Site::of($ways, Site::run('A-1')), 'route.broken');
        self::assertSame('run:A-1', $finding->subject->text());
        self::assertStringContainsString('Left', $finding->words);
        self::assertStringContainsString('Rack', $finding->words);
        self::assertStringContainsString('way', strtolower($finding->remedy));
    }

    public function test_a_loop_no_length_and_an_unknown_place_are_found(): void
    {
        $bench = static fn (Way $way): Bench => Site::of(Site::ways($way), Site::run('A-1'));
        self::assertStringContainsString(
            'Loop',
            self::finding($bench(Site::way('loop', WayKind::Tray, 2, 'hall', 'hall')), 'way.loop')->words,
        );
        self::assertSame(
            'way:none',
            self::finding(
                $bench(Site::way('none', WayKind::Tray, 0, 'hall', 'cellar')),
                'way.no-length',
            )->subject->text(),
        );
        self::assertStringContainsString(
            'moon',
            self::finding($bench(Site::way('far', WayKind::Tray, 2, 'hall', 'moon')), 'way.unknown-place')->words,
        );
        self::assertContains(
            'way.unplaced',
            Bench::codes($bench(Site::way('loose', WayKind::Tray, 2, '', ''))->plan()->findings()),
        );
    }

    /**
     * Share of the inside that may be filled: NEC chapter 9 table 1 for conduit;
     * 45 % of trunking is common practice (from memory); tray TIA-569 (from memory).
     *
     * @return iterable<string, array{WayKind, int, float, float}>
     */
    public static function fills(): iterable
    {
        yield 'one in conduit' => [WayKind::Conduit, 1, 53.0, 53.0];
        yield 'two in conduit' => [WayKind::Conduit, 2, 31.0, 31.0];
        yield 'three in conduit' => [WayKind::Conduit, 3, 40.0, 40.0];
        yield 'nine in conduit' => [WayKind::Conduit, 9, 40.0, 40.0];
        yield 'trunking' => [WayKind::Trunking, 4, 45.0, 45.0];
        yield 'tray' => [WayKind::Tray, 4, 25.0, 50.0];
    }

    #[DataProvider('fills')]
    public function test_the_fill_table(WayKind $kind, int $cables, float $design, float $most): void
    {
        $rule = FillRule::for(Site::way('w', $kind, 1, 'rack', 'left', Bore::round(Length::millimetres(50))), $cables);
        self::assertSame([$design, $most], [$rule?->design, $rule?->most]);
        $own = FillRule::for(
            Site::way('w', $kind, 1, 'rack', 'left', Bore::round(Length::millimetres(50)), fillLimit: 20.0),
            $cables,
        );
        self::assertSame(20.0, $own?->design, 'what the planner set goes first');
    }

    public function test_an_overfull_conduit_names_the_next_size_and_runs_that_could_go_elsewhere(): void
    {
        // Nine pairs of 3.2 mm are 72.4 mm²: 41 % of 15 mm inside (176.7 mm²), 32 % of 17 mm.
        $conduit = Site::way('duct', WayKind::Conduit, 5, 'left', 'rack', Bore::round(Length::millimetres(15)));
        $bench = Site::of(
            Site::ways($conduit),
            ...array_map(static fn (int $n): RunRequest => Site::run('A-'.$n), range(1, 9)),
        );
        $load = $bench->plan()->ways->of('duct');
        self::assertCount(9, $load->runs);
        self::assertEqualsWithDelta(
            (((100 * 9 * M_PI) / 4) * 3.2 ** 2) / ((M_PI / 4) * 15 ** 2),
            $load->fill?->value,
            1e-9,
        );
        $finding = self::finding($bench, 'way.overfull');
        self::assertStringContainsString('17 mm', $finding->remedy);
        self::assertMatchesRegularExpression('~move A-\d~', $finding->remedy);
        self::assertStringContainsString('Tray', $finding->remedy, 'and says by which way');
        $eight = Site::of(
            Site::ways($conduit),
            ...array_map(static fn (int $n): RunRequest => Site::run('A-'.$n), range(1, 8)),
        );
        self::assertNotContains('way.overfull', Bench::codes($eight->plan()->findings()), '36 % is not too much');
    }

    /** @return iterable<string, array{float, bool}> inner diameter by 3.2 mm cable: NEC chapter 9 note, from memory */
    public static function jams(): iterable
    {
        yield 'below the band' => [8.9, false];
        yield 'at its lower edge' => [8.96, true];
        yield 'in it' => [9.6, true];
        yield 'at its upper edge' => [10.24, true];
        yield 'above it' => [10.3, false];
    }

    #[DataProvider('jams')]
    public function test_three_cables_may_jam_between_2_8_and_3_2(float $inner, bool $jams): void
    {
        $conduit = Site::way('duct', WayKind::Conduit, 5, 'left', 'rack', Bore::round(Length::millimetres($inner)));
        $three = Site::of(Site::ways($conduit), Site::run('A-1'), Site::run('A-2'), Site::run('A-3'));
        self::assertSame($jams, in_array('way.jam', Bench::codes($three->plan()->findings()), true));
        $two = Site::of(Site::ways($conduit), Site::run('A-1'), Site::run('A-2'));
        self::assertNull($two->plan()->ways->of('duct')->jam, 'only three jam');
    }

    public function test_bends_tighter_than_a_cable_allows_are_found_at_the_cables_own_figure(): void
    {
        $bent = static fn (float $radius): Bench => Site::of(
            Site::ways(
                Site::way(
                    'duct',
                    WayKind::Conduit,
                    5,
                    'left',
                    'rack',
                    Bore::round(Length::millimetres(40)),
                    bends: 2,
                    bendRadius: Length::millimetres($radius),
                ),
            ),
            Site::run('A-1'),
        );
        self::assertContains('way.bend', Bench::codes($bent(31)->plan()->findings()), '32 mm is the type\'s own');
        self::assertNotContains('way.bend', Bench::codes($bent(32)->plan()->findings()));
    }

    public function test_mains_beside_signal_is_found(): void
    {
        $composite = Bench::request(
            'P-1',
            'composite',
            ['mains', 'analogue'],
            ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
            ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
        );
        $bench = Bench::of(
            $composite,
            Bench::request(
                'A-1',
                'pair-foil',
                ['analogue'],
                ['xlr3-female-cable-balanced'],
                ['xlr3-male-cable-balanced'],
            ),
        );
        self::assertContains('way.mains-beside-signal', Bench::codes($bench->plan()->findings()));
    }

    public function test_a_made_up_cable_whose_connector_does_not_pass_its_conduit_is_found(): void
    {
        $narrow = Site::ways(
            Site::way('duct', WayKind::Conduit, 5, 'left', 'rack', Bore::round(Length::millimetres(13))),
        );
        $finding = self::finding(Site::of($narrow, Site::run('A-1')), 'way.connector-does-not-pass');
        self::assertStringContainsString('A-1', $finding->words);
        self::assertStringContainsString(
            'Make its ends in place after it is pulled. Or take a conduit of ⌀ ',
            $finding->remedy,
        );
        $wide = Site::ways(
            Site::way('duct', WayKind::Conduit, 5, 'left', 'rack', Bore::round(Length::millimetres(44))),
        );
        self::assertNotContains(
            'way.connector-does-not-pass',
            Bench::codes(Site::of($wide, Site::run('A-1'))->plan()->findings()),
        );
    }

    public function test_the_length_of_the_ways_is_in_the_cut_and_never_a_silent_nothing(): void
    {
        $plan = Site::of(Site::ways(), Site::run('A-1'))->plan();
        self::assertSame('14000 mm', $plan->runs['A-1']->cut->terms[0]->amount->canonical());
        $ways = Site::ways();
        unset($ways['tray']);
        $broken = Site::of($ways, Site::run('A-1'))->plan();
        self::assertContains(
            'route.broken',
            Bench::codes($broken->findings()),
            'a cut without its way is never said without saying so',
        );
    }

    /**
     * Inside sizes in mm of conduit (IEC 61386 by its outside, 16 to 110 mm and walls of 1.5 to 2.5 mm), trunking and
     * tray as they are usually sold: common practice.
     */
    public function test_the_sizes_that_remedies_name_are_those_that_there_are(): void
    {
        $held = static fn (WayKind $kind, float $area): ?string => Sizes::holding(
            new Way('w', 'W', $kind, Length::metres(1), 'here', 'there'),
            $area,
        )?->text();
        foreach ([13, 17, 21, 28, 35, 44, 56, 69, 90, 105] as $inside) {
            self::assertSame('⌀ '.$inside.' mm', $held(WayKind::Conduit, (M_PI / 4) * $inside ** 2 - 0.001));
        }
        foreach (
            [
                [
                    WayKind::Trunking,
                    [
                        [50, 50],
                        [75, 50],
                        [75, 75],
                        [100, 100],
                        [150, 75],
                        [150, 100],
                        [150, 150],
                        [200, 100],
                        [200, 150],
                        [200, 200],
                        [300, 150],
                        [300, 300],
                    ],
                ],
                [
                    WayKind::Tray,
                    [
                        [50, 25],
                        [75, 25],
                        [100, 25],
                        [150, 25],
                        [100, 50],
                        [150, 50],
                        [225, 50],
                        [300, 50],
                        [450, 50],
                        [600, 50],
                        [300, 100],
                        [450, 100],
                        [600, 100],
                    ],
                ],
            ] as [$kind, $sizes]
        ) {
            // Where two sizes hold as much, the one that is named first.
            $areas = array_map(static fn (array $size): int => $size[0] * $size[1], $sizes);
            foreach ($areas as $area) {
                $named = explode(' × ', str_replace(' mm', '', (string) $held($kind, $area)));
                self::assertSame($area, (int) $named[0] * (int) $named[1], 'just held');
                self::assertContains([(int) $named[0], (int) $named[1]], $sizes);
            }
            self::assertNull($held($kind, max($areas) + 1));
        }
    }

    /** Four diameters for four-pair cable: TIA-568; ten for anything else: common practice. */
    public function test_only_four_pairs_of_a_category_bend_as_tightly_as_four_diameters(): void
    {
        $radius = static fn (Bench $bench, string $cable): float => BendRule::for(
            $bench->installation->catalogue->theCable($cable),
        )->radius->inMillimetres() / $bench->installation->catalogue->theCable($cable)->outerDiameter->inMillimetres();
        $category = Bench::category()->withCatalogueEdited(['cables.cat6-utp.bendRadius' => null]);
        self::assertEqualsWithDelta(4.0, $radius($category, 'cat6-utp'), 1e-6);
        $none = $category->withCatalogueEdited(['cables.cat6-utp.category' => '']);
        self::assertEqualsWithDelta(10.0, $radius($none, 'cat6-utp'), 1e-6);
        $pair = Bench::microphone()->withCatalogueEdited([
            'cables.pair-foil.bendRadius' => null,
            'cables.pair-foil.category' => '6',
        ]);
        self::assertEqualsWithDelta(10.0, $radius($pair, 'pair-foil'), 1e-6, 'one pair, whatever it is called');
    }
}
