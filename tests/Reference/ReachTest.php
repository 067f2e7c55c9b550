<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Reach\CategoryLoss;
use Sartal\Core\Ends\Reach\CoaxLoss;
use Sartal\Core\Ends\Reach\LossLimit;
use Sartal\Core\Ends\Reach\Reach;
use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Ends\Reach\ReachVerdict;
use Sartal\Core\Ends\Reach\SignalLine;
use Sartal\Core\Ends\Reach\Stretch;
use Sartal\Core\Given\Catalogue\CoaxGeometry;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Demand;
use Sartal\Core\Given\Installation\VideoRate;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\Length;
use Tests\Support\Bench;

/** How far signals reach, against published limits and textbook figures. */
final class ReachTest extends TestCase
{
    /** Loss of 100 m at 100 MHz: ANSI/TIA-568-C.2. */
    public function test_category_cable_loses_the_published_decibels_at_100_mhz(): void
    {
        foreach (['5e' => 22.0, '6' => 19.8, '6A' => 19.1] as $category => $decibels) {
            self::assertEqualsWithDelta(
                $decibels,
                CategoryLoss::category((string) $category)?->per100Metres(100),
                0.05,
                (string) $category,
            );
        }
    }

    /** Each category is specified up to its own frequency and no further: ANSI/TIA-568-C.2, from memory. */
    public function test_a_category_says_nothing_beyond_its_range(): void
    {
        foreach (['5e' => 100.0, '6' => 250.0, '6A' => 500.0] as $category => $highest) {
            $loss = CategoryLoss::category((string) $category);
            self::assertNotNull($loss?->per100Metres($highest));
            self::assertNull($loss->per100Metres($highest + 1));
            self::assertNull($loss->per100Metres(0.5));
        }
        self::assertNull(CategoryLoss::category('3'));
    }

    /**
     * @return iterable<string, array{VideoRate, float, float}> SMPTE ST 292-1, ST 424, ST 2081-1, ST 2082-1, from
     *     memory
     */
    public static function rates(): iterable
    {
        yield 'HD' => [VideoRate::HD, 742.5e6, 20.0];
        yield '3G' => [VideoRate::G3, 1.485e9, 20.0];
        yield '6G' => [VideoRate::G6, 2.97e9, 40.0];
        yield '12G' => [VideoRate::G12, 5.94e9, 40.0];
    }

    #[DataProvider('rates')]
    public function test_serial_video_may_lose_so_much_at_half_its_clock(
        VideoRate $rate,
        float $hertz,
        float $decibels,
    ): void {
        self::assertSame([$hertz, $decibels], [LossLimit::hertz($rate), LossLimit::allowed($rate)]);
    }

    /** Handbook loss of 75 Ω foam coax of 18 AWG at 1 GHz: about 20 dB for 100 m, from memory; within a tenth. */
    public function test_coax_loses_what_its_geometry_says(): void
    {
        $line = new CoaxGeometry(Length::millimetres(1.024), Length::millimetres(4.74), 1.5);
        self::assertEqualsWithDelta(75.0, $line->impedance(), 1.0);
        $at = static fn (float $hertz): float => 100 *
            (CoaxLoss::conductors($line, $hertz) + CoaxLoss::dielectric($line, 0.0002, $hertz));
        self::assertEqualsWithDelta(20.0, $at(1e9), 2.0);
        // Pozar, Microwave Engineering, chapter 2: conductors with √f, dielectric with f.
        self::assertEqualsWithDelta(2.0, CoaxLoss::conductors($line, 4e9) / CoaxLoss::conductors($line, 1e9), 1e-9);
        self::assertEqualsWithDelta(
            4.0,
            CoaxLoss::dielectric($line, 0.0002, 4e9) / CoaxLoss::dielectric($line, 0.0002, 1e9),
            1e-9,
        );
        // Surface resistance of copper at 1 GHz is 8.25 mΩ (Pozar, example 2.7 has copper at 8.26 mΩ·√(f/GHz), from
        // memory).
        self::assertEqualsWithDelta(
            (((8.685889638 * 8.25e-3) / M_PI) * (1 / 1.024e-3 + 1 / 4.74e-3)) / (2 * $line->impedance()),
            CoaxLoss::conductors($line, 1e9),
            1e-4,
        );
    }

    private static function judged(Bench $bench, float $metres, ?Demand $demand = null): Reach
    {
        $circuit = array_values($bench->installation->circuits())[0];
        if ($demand !== null) {
            $bench = $bench->with(
                circuits: [
                    $circuit->id => new Circuit(
                        $circuit->id,
                        $circuit->name,
                        $circuit->signal,
                        $circuit->topology,
                        demand: $demand,
                    ),
                ] + $bench->installation->circuits(),
            );
        }
        $reaches = new Reaches($bench->installation);
        $lengths = array_map(static fn (): Length => Length::metres($metres), $bench->installation->runs());

        return $reaches->judge($reaches->lines($lengths)[$circuit->id]);
    }

    /**
     * A channel of pieces one behind the other: metres of solid category 6, then of stranded cords.
     *
     * @param  list<float>  $solid
     * @param  list<float>  $cords
     */
    private static function channel(array $solid, array $cords): Reach
    {
        $of = static function (string $cable, float $metres): Stretch {
            $catalogue = self::category($cable)->installation->catalogue;

            return new Stretch('C-'.$metres, $catalogue->theCable($cable), '', Length::metres($metres));
        };
        $bench = self::category('cat6-utp');
        $line = array_values((new Reaches($bench->installation))->lines([]))[0];
        $stretches = [
            ...array_map(static fn (float $metres): Stretch => $of('cat6-utp', $metres), $solid),
            ...array_map(static fn (float $metres): Stretch => $of('cat5e-utp-stranded', $metres), $cords),
        ];
        self::assertNotSame([], $stretches);

        return (new Reaches($bench->installation))->judge(new SignalLine($line->circuit, $line->signal, $stretches));
    }

    /**
     * At most 90 m of solid cable, whatever cords there are, and 102 m is 102 m however it is summed up: ANSI/TIA-568,
     * from memory.
     */
    public function test_a_channel_has_at_most_ninety_metres_of_solid_cable(): void
    {
        self::assertSame(ReachVerdict::Reaches, self::channel([90.0], [10.0])->verdict, '90 + 10 × 1.2 = 102');
        self::assertSame(0.0, self::channel([90.0], [10.0])->margin);
        self::assertSame(ReachVerdict::Beyond, self::channel([90.0], [10.001])->verdict);
        self::assertSame(ReachVerdict::Reaches, self::channel([45.0, 45.0], [1.0])->verdict);
        foreach ([[[90.001], [1.0]], [[45.0, 45.001], []], [[60.0, 35.0], [0.5]]] as [$solid, $cords]) {
            $reach = self::channel($solid, $cords);
            self::assertSame(ReachVerdict::Beyond, $reach->verdict);
            self::assertSame([array_sum($solid), 90.0], [$reach->used?->value, $reach->limit?->value]);
        }
        // Sums of binary fractions are off in their last digits, and nothing is missed by that.
        $dice = new Randomizer(new Mt19937(568));
        for ($i = 0; $i < 1000; $i++) {
            $first = $dice->getInt(1, 89_999);
            $cord = $dice->getInt(1, 9_999);
            $solid = [$first / 1000, (90_000 - $first) / 1000];
            $cords = [$cord / 1000, (10_000 - $cord) / 1000];
            self::assertSame(ReachVerdict::Reaches, self::channel($solid, $cords)->verdict);
            $which = $dice->getInt(0, 1);
            $longer = $dice->getInt(0, 1) === 0;
            $solid[$which] += $longer ? 0.001 : 0.0;
            $cords[$which] += $longer ? 0.0 : 0.001;
            self::assertSame(ReachVerdict::Beyond, self::channel($solid, $cords)->verdict);
        }
    }

    /** At most 32 receivers of one unit load: TIA-485; ANSI E1.11 takes it over. */
    public function test_a_line_has_at_most_thirty_two_unit_loads(): void
    {
        $bench = Bench::of(Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx']));
        $reaches = new Reaches($bench->installation);
        $line = array_values($reaches->lines(['D-1' => Length::metres(5)]))[0];
        $of = static fn (int $runs): SignalLine => new SignalLine(
            $line->circuit,
            $line->signal,
            array_fill(0, $runs, $line->stretches[0]),
        );
        self::assertSame(ReachVerdict::Reaches, $reaches->judge($of(32))->verdict);
        self::assertSame(ReachVerdict::Beyond, $reaches->judge($of(33))->verdict);
        self::assertSame([], $reaches->findings([$of(32)]));
        $finding = $reaches->findings([$of(33)])[0];
        self::assertStringContainsString('33 where 32 may be (TIA-485, ANSI E1.11)', $finding->words);
        self::assertStringContainsString('repeater', $finding->remedy);
        // Too long and too many: too long is said.
        self::assertSame('bus', $reaches->judge($of(61))->kind);
    }

    private static function category(string $cable): Bench
    {
        $plug = str_contains($cable, 'stranded') ? '8p8c-plug-stranded-t568b' : '8p8c-plug-t568b';

        return Bench::of(Bench::request('C-1', $cable, ['network'], [$plug], [$plug]));
    }

    public function test_a_permanent_link_goes_90_metres(): void
    {
        self::assertSame(ReachVerdict::Reaches, self::judged(self::category('cat6-utp'), 90)->verdict);
        self::assertSame(ReachVerdict::Beyond, self::judged(self::category('cat6-utp'), 90.05)->verdict);
        $half = self::judged(self::category('cat6-utp'), 45);
        self::assertEqualsWithDelta(50.0, $half->margin, 1e-9);
        // 45 m of category 6 at 250 MHz: 1.808√250 + 0.017 × 250 + 0.2/√250 = 32.85 dB for 100 m.
        self::assertEqualsWithDelta(0.45 * 32.85, $half->decibels, 0.01);
    }

    /** C = (102 − H) ÷ (1 + D): ANSI/TIA-568-C.1 for cords, D 0.2 for 24 AWG and 0.5 for 26 AWG, from memory. */
    public function test_cords_count_by_their_gauge(): void
    {
        $cords = [];
        foreach (self::judged(self::category('cat6-utp'), 90)->information as [$what, $figure]) {
            $cords[$what] = $figure->value;
        }
        self::assertEqualsWithDelta(10.0, $cords['cords of 24 AWG, at most'], 1e-9);
        self::assertEqualsWithDelta(8.0, $cords['cords of 26 AWG, at most'], 1e-9);
        self::assertEqualsWithDelta(
            60.0,
            self::judged(self::category('cat5e-utp-stranded'), 50)->used?->value,
            1e-9,
            '24 AWG counts for a fifth more',
        );
        self::assertEqualsWithDelta(
            75.0,
            self::judged(self::category('cat5e-futp-stranded'), 50)->used?->value,
            1e-9,
            '26 AWG for a half more',
        );
    }

    /** What counts for more says so, and by how much; delay is held against 498 ns for a link, 555 ns for a channel. */
    public function test_what_a_cord_counts_for_and_what_delay_is_held_against_is_said(): void
    {
        $first = static fn (string $cable): ?Figure => self::judged(self::category($cable), 50)->used;
        $words = static fn (string $cable): string => $first($cable)->terms[0]->detail ?? '';
        self::assertSame('solid', $words('cat6-utp'));
        self::assertStringContainsString('24 AWG, counts for 20 % more', $words('cat5e-utp-stranded'));
        self::assertStringContainsString('26 AWG, counts for 50 % more', $words('cat5e-futp-stranded'));
        foreach (['cat6-utp' => 498, 'cat5e-utp-stranded' => 555] as $cable => $most) {
            self::information(self::judged(self::category($cable), 50), 'delay, at most '.$most.' ns');
        }
    }

    /** Solid copper at 20 °C from ASTM B258 and IEC 60028: 23 AWG has 66.8 Ω/km, so 90 m there and back has 12.0 Ω. */
    public function test_loop_resistance_is_there_and_back(): void
    {
        $found = self::information(self::judged(self::category('cat6-utp'), 90), 'loop resistance');
        self::assertEqualsWithDelta(2 * 90 * 0.0668, $found->value, 0.02);
    }

    private static function information(Reach $reach, string $begins): Figure
    {
        foreach ($reach->information as [$what, $figure]) {
            if (str_starts_with($what, $begins)) {
                return $figure;
            }
        }
        self::fail('No '.$begins);
    }

    /** Delay of a link: at most 498 ns (TIA-568, from memory); at 2/3 of the speed of light 90 m take 450 ns. */
    public function test_delay_follows_from_impedance_and_capacitance(): void
    {
        self::assertEqualsWithDelta(
            450.0,
            self::information(self::judged(self::category('cat6-utp'), 90), 'delay')->value,
            1.0,
        );
    }

    /**
     * Circuit theory, worked by hand: 25 W from 50 V over 100 m of 23 AWG on four pairs: R = 13.36 ÷ 4 = 3.34 Ω, I =
     * 0.5176 A, 1.729 V.
     */
    public function test_power_over_the_cable_loses_volts(): void
    {
        $lost = self::information(
            self::judged(self::category('cat6-utp'), 100, new Demand(power: 25.0, line: 50.0)),
            'power over the cable',
        );
        self::assertEqualsWithDelta(1.729, $lost->value, 0.01);
        self::assertEqualsWithDelta(
            25.0,
            ((50 - $lost->value) * $lost->value) / 3.34,
            0.2,
            'what arrives is what was asked for',
        );
    }

    public function test_serial_video_margin_and_the_next_cable_that_would_do(): void
    {
        $mini = Bench::of(Bench::request('V-1', 'coax-75-mini', ['video'], ['bnc75-plug-video'], ['bnc75-plug-video']));
        $reach = self::judged($mini, 70, new Demand(VideoRate::G12));
        self::assertSame(ReachVerdict::Beyond, $reach->verdict);
        self::assertLessThan(0, $reach->decibels);
        self::assertEqualsWithDelta(($reach->limit->value ?? 0) - ($reach->used->value ?? 0), $reach->decibels, 1e-9);
        $reaches = new Reaches(
            $mini->with(
                circuits: [
                    ...$mini->installation->circuits(),
                    'V-1.c1' => new Circuit('V-1.c1', 'V-1', 'video', demand: new Demand(VideoRate::G12)),
                ],
            )->installation,
        );
        // Pozar, chapter 2: what the dielectric loses goes with its loss tangent.
        $losing = static fn (float $tangent): float => self::judged(
            $mini->withCatalogueEdited([
                'cables.coax-75-mini.construction.children.0.children.0.lossTangent' => $tangent,
            ]),
            100,
            new Demand(VideoRate::G12),
        )->used->value ?? 0.0;
        self::assertEqualsWithDelta($losing(0.0004) - $losing(0.0002), $losing(0.0006) - $losing(0.0004), 1e-6);
        self::assertGreaterThan($losing(0.0002) + 0.5, $losing(0.0004));
        $next = $reaches->next($reaches->lines(['V-1' => Length::metres(70)])['V-1.c1']);
        self::assertSame(ReachVerdict::Reaches, $next[1]->verdict ?? null);
        self::assertGreaterThan(
            $mini->installation->catalogue->cables()['coax-75-mini']->outerDiameter->nanometres,
            $next[0]->outerDiameter->nanometres ?? 0,
        );
        self::assertSame(
            ReachVerdict::Tight,
            self::judged($mini, self::metresFor($mini, 37.0), new Demand(VideoRate::G12))->verdict,
            'planned to 85 % of 40 dB',
        );
    }

    private static function metresFor(Bench $bench, float $decibels): float
    {
        return ($decibels / (self::judged($bench, 100, new Demand(VideoRate::G12))->used->value ?? 1.0)) * 100;
    }

    /** DMX is planned to 300 m (common practice), RS-485 goes 1200 m (TIA-485), EIA-232 2500 pF (TIA-232). */
    public function test_control_lines_by_their_own_limits(): void
    {
        $dmx = Bench::of(Bench::request('D-1', 'data-2pair', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx']));
        self::assertSame(
            [ReachVerdict::Reaches, ReachVerdict::Beyond],
            [self::judged($dmx, 300)->verdict, self::judged($dmx, 300.5)->verdict],
        );
        $bus = Bench::of(Bench::request('D-1', 'data-pair-120', ['rs485'], ['terminal3-rs485'], ['terminal3-rs485']));
        self::assertSame(
            [ReachVerdict::Reaches, ReachVerdict::Beyond],
            [self::judged($bus, 1200)->verdict, self::judged($bus, 1201)->verdict],
        );
        $serial = Bench::of(
            Bench::request('D-1', 'control-8', ['eia232'], ['dsub9-male-eia232'], ['dsub9-female-eia232']),
        );
        // 120 pF/m: 2500 pF are 20.8 m.
        self::assertSame(
            [ReachVerdict::Reaches, ReachVerdict::Beyond],
            [self::judged($serial, 20.8)->verdict, self::judged($serial, 20.9)->verdict],
        );
    }

    /** Circuit theory: 10 kΩ and 100 pF/m make a corner of 20 kHz at 7.96 m. */
    public function test_a_high_source_goes_a_few_metres_only(): void
    {
        $guitar = Bench::of(
            Bench::request('A-1', 'instrument', ['unbalanced'], ['ts-plug-unbalanced'], ['ts-plug-unbalanced']),
        );
        $perMetre = self::judged($guitar, 1)->used->value ?? 0.0;
        $edge = 1e12 / (2 * M_PI * 10e3 * 20e3) / $perMetre;
        self::assertSame(
            [ReachVerdict::Reaches, ReachVerdict::Beyond],
            [self::judged($guitar, $edge * 0.999)->verdict, self::judged($guitar, $edge * 1.001)->verdict],
        );
        self::assertEqualsWithDelta(
            3.01,
            self::information(self::judged($guitar, $edge), 'lost at')->value,
            0.01,
            'at the corner 3 dB are lost',
        );
        self::assertGreaterThan(0.0, self::information(self::judged($guitar, $edge), 'loop resistance')->value);
        self::assertSame(
            ReachVerdict::Reaches,
            self::judged($guitar, $edge * 10, new Demand(source: 600.0))->verdict,
            'a low source goes further',
        );
    }

    /** 20·log10((8 + R) ÷ 8): circuit theory. 2.5 mm² has 6.90 Ω/km, so 35 m there and back 0.483 Ω and 0.51 dB. */
    public function test_a_loudspeaker_line_loses_in_its_resistance(): void
    {
        $speaker = Bench::of(
            Bench::request('L-1', 'loudspeaker-2', ['loudspeaker'], ['speaker4-cable-1'], ['speaker4-cable-1']),
        );
        $ohms = self::information(self::judged($speaker, 35), 'loop')->value ?? 0.0;
        self::assertEqualsWithDelta(20 * log10((8 + $ohms) / 8), self::judged($speaker, 35)->used?->value, 1e-9);
        // A 100 V line of 60 W is a load of 166.7 Ω: the same cable goes twenty times as far.
        $line = self::judged($speaker, 600, new Demand(line: 100.0, power: 60.0));
        self::assertSame(ReachVerdict::Reaches, $line->verdict);
        self::assertEqualsWithDelta(
            20 * log10((10_000 / 60 + (600 / 35) * $ohms) / (10_000 / 60)),
            $line->used?->value,
            1e-9,
        );
    }

    /**
     * Copper at 70 °C has 1.1965 times its resistance at 20 °C (IEC 60028): 10 A through 50 m of 1.5 mm² lose 13.75 V.
     */
    public function test_mains_drop_is_reckoned_warm_and_is_information_alone(): void
    {
        $mains = Bench::of(
            Bench::request(
                'P-1',
                'composite',
                ['mains', 'analogue'],
                ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
                ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
            ),
        );
        $reach = self::judged($mains, 50, new Demand(power: 2300.0));
        self::assertEqualsWithDelta(((10 * 2 * 50 * 17.241e-9) / 1.5e-6) * 1.1965, $reach->used?->value, 0.01);
        self::assertSame(ReachVerdict::Beyond, $reach->verdict);
        self::assertSame(ReachVerdict::Unknown, self::judged($mains, 50)->verdict, 'nobody said how much power');
        // At half the volts the same power takes twice the amperes, and loses twice the volts.
        $half = $mains->withCatalogueEdited(['signals.mains.reach.volts' => 115.0]);
        self::assertEqualsWithDelta(
            2 * ($reach->used->value ?? 0.0),
            self::judged($half, 50, new Demand(power: 2300.0))->used?->value,
            1e-9,
        );
    }

    public function test_what_a_type_does_not_state_is_said_and_never_taken_for_nothing(): void
    {
        $silent = Bench::microphone()->withCatalogueEdited([
            'cables.pair-foil.construction.children.0.capacitance' => null,
        ]);
        $reach = self::judged($silent, 30);
        self::assertSame(ReachVerdict::Unknown, $reach->verdict);
        self::assertNull($reach->used);
        self::assertStringContainsString('does not state', $reach->missing);
    }
}
