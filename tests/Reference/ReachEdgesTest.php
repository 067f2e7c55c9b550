<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ends\Reach\Reaches;
use Sartal\Core\Ends\Reach\ReachVerdict;
use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Demand;
use Sartal\Core\Given\Installation\VideoRate;
use Sartal\Core\Given\Measure\Length;
use Tests\Support\Bench;

/** Every limit of reach, a millimetre before it and a millimetre behind: where it lies is worked out here. */
final class ReachEdgesTest extends TestCase
{
    /** Ω of a metre of 2.5 mm², and of 1.5 mm²: copper at 20 °C has 17.241 nΩ·m (IEC 60028). */
    private const LOUDSPEAKER = 17.241e-9 / 2.5e-6;

    private const MAINS = 17.241e-9 / 1.5e-6;

    /**
     * @return iterable<string, array{list<mixed>, ?Demand, float}> what is run, what it carries, and the metres that
     *     it goes at most
     */
    public static function limits(): iterable
    {
        $plug = ['8p8c-plug-t568b'];
        yield 'permanent link: ANSI/TIA-568, 90 m (from memory)' => [
            ['cat6-utp', ['network'], $plug, $plug],
            null,
            90.0,
        ];
        $cord = ['8p8c-plug-stranded-t568b'];
        yield 'cords of 24 AWG alone: 102 m ÷ 1.2 = 85 m (ANSI/TIA-568, from memory)' => [
            ['cat5e-utp-stranded', ['network'], $cord, $cord],
            null,
            85.0,
        ];
        yield 'cords of 26 AWG alone: 102 m ÷ 1.5 = 68 m (the same)' => [
            ['cat5e-futp-stranded', ['network'], $cord, $cord],
            null,
            68.0,
        ];
        yield 'DMX: 300 m (common practice)' => [
            ['data-2pair', ['dmx'], ['xlr5-male-dmx'], ['xlr5-female-dmx']],
            null,
            300.0,
        ];
        yield 'RS-485: 1200 m (TIA-485)' => [
            ['data-pair-120', ['rs485'], ['terminal3-rs485'], ['terminal3-rs485']],
            null,
            1200.0,
        ];
        yield 'EIA-232: 2500 pF (TIA-232), 120 pF/m' => [
            ['control-8', ['eia232'], ['dsub9-male-eia232'], ['dsub9-female-eia232']],
            null,
            2500 / 120,
        ];
        $speaker = ['loudspeaker-2', ['loudspeaker'], ['speaker4-cable-1'], ['speaker4-cable-1']];
        // 20·log10((8 + R) ÷ 8) = 0.5 dB: R = 0.4741 Ω, there and back (circuit theory; 0.5 dB, common practice).
        yield 'loudspeaker of 8 Ω' => [$speaker, null, 8 * (10 ** (0.5 / 20) - 1) / (2 * self::LOUDSPEAKER)];
        yield 'loudspeaker of 4 Ω' => [
            $speaker,
            new Demand(load: 4.0),
            4 * (10 ** (0.5 / 20) - 1) / (2 * self::LOUDSPEAKER),
        ];
        yield 'a line of 100 V and 60 W: 166.7 Ω' => [
            $speaker,
            new Demand(line: 100.0, power: 60.0),
            (10_000 / 60) * (10 ** (0.5 / 20) - 1) / (2 * self::LOUDSPEAKER),
        ];
        // 3 % of 230 V at 10 A, copper at 70 °C: 1 + 0.00393 × 50 (IEC 60028); IEC 60364-5-52, annex G (from memory).
        yield 'mains of 2300 W' => [
            [
                'composite',
                ['mains', 'analogue'],
                ['power-out-cable-mains', 'xlr3-female-cable-balanced'],
                ['power-in-cable-mains', 'xlr3-male-cable-balanced'],
            ],
            new Demand(power: 2300.0),
            (0.03 * 230) / (10 * 2 * self::MAINS * (1 + 0.00393 * 50)),
        ];
        // 1 ÷ (2π × 10 kΩ × C) = 20 kHz: 795.8 pF (circuit theory); 105 pF/m is what this cable states.
        $pair = ['pair-foil', ['analogue'], ['xlr3-female-cable-balanced'], ['xlr3-male-cable-balanced']];
        foreach ([10_000, 2_400, 200] as $ohms) {
            yield sprintf('a source of %d Ω', $ohms) => [
                $pair,
                new Demand(source: (float) $ohms),
                1e12 / (2 * M_PI * $ohms * 20e3) / 105,
            ];
        }
    }

    /** @param  array{string, list<string>, list<string>, list<string>}  $run */
    #[DataProvider('limits')]
    public function test_a_limit_holds_to_the_millimetre(array $run, ?Demand $demand, float $metres): void
    {
        $bench = self::bench($run, $demand);
        self::assertNotSame(ReachVerdict::Beyond, self::judged($bench, floor($metres * 1000 + 1e-6) / 1000));
        self::assertSame(ReachVerdict::Beyond, self::judged($bench, floor($metres * 1000 + 1e-6) / 1000 + 0.001));
    }

    /** Lengths drawn on either side of each limit: beyond it where the formula says so, and nowhere else. */
    public function test_lengths_drawn_on_either_side_are_judged_as_the_formula_says(): void
    {
        $dice = new Randomizer(new Mt19937(1711));
        $judged = 0;
        foreach (self::limits() as $name => [$run, $demand, $metres]) {
            $bench = self::bench($run, $demand);
            $limit = (int) floor($metres * 1000 + 1e-6);
            for ($n = 0; $n < 80; $n++, $judged++) {
                $length = $dice->getInt(intdiv($limit, 20), 2 * $limit);
                $is = self::judged($bench, $length / 1000);
                self::assertSame($length > $limit, $is === ReachVerdict::Beyond, $name.', '.$length.' mm');
            }
        }
        self::assertGreaterThanOrEqual(1000, $judged);
    }

    /**
     * Serial video may lose 20 dB at half its clock up to 3 Gbit/s and 40 dB above (SMPTE ST 292-1, ST 424, ST 2081,
     * ST 2082, from memory). What a metre loses is checked where coax is.
     */
    public function test_serial_video_goes_as_far_as_its_decibels(): void
    {
        $plug = ['bnc75-plug-video'];
        foreach ([[VideoRate::HD, 20.0], [VideoRate::G3, 20.0], [VideoRate::G6, 40.0], [VideoRate::G12, 40.0]] as [
            $rate,
            $decibels,
        ]) {
            $bench = self::bench(['coax-75-mini', ['video'], $plug, $plug], new Demand($rate));
            $reaches = new Reaches($bench->installation);
            $line = array_values($reaches->lines(['X-1' => Length::metres(100)]))[0];
            $metres = $decibels / (($reaches->judge($line)->used->value ?? 0.0) / 100);
            self::assertSame(ReachVerdict::Tight, self::judged($bench, floor($metres * 1000) / 1000), $rate->value);
            self::assertSame(ReachVerdict::Beyond, self::judged($bench, ceil($metres * 1000) / 1000), $rate->value);
            // Planned to 85 % of it: common practice is 80 to 90.
            self::assertSame(ReachVerdict::Reaches, self::judged($bench, floor($metres * 850) / 1000), $rate->value);
            self::assertSame(ReachVerdict::Tight, self::judged($bench, ceil($metres * 850) / 1000), $rate->value);
        }
    }

    /** @param  array{string, list<string>, list<string>, list<string>}  $run */
    private static function bench(array $run, ?Demand $demand): Bench
    {
        $bench = Bench::of(Bench::request('X-1', ...$run));
        $circuit = array_values($bench->installation->circuits())[0];

        return $demand === null ? $bench : $bench->with(
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

    private static function judged(Bench $bench, float $metres): ReachVerdict
    {
        $reaches = new Reaches($bench->installation);

        return $reaches->judge(array_values($reaches->lines(['X-1' => Length::metres($metres)]))[0])->verdict;
    }
}
