<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Measure\Gauge;
use Sartal\Core\Given\Measure\InvalidMeasure;

/** ASTM B258 for diameters; IEC 60028 for copper; the table is computed from the two, handbooks agree within 1 %. */
final class WireTest extends TestCase
{
    /** @return iterable<string, array{int, float}> */
    public static function ohmsPerKilometre(): iterable
    {
        foreach (
            [
                26 => 133.9,
                24 => 84.2,
                23 => 66.8,
                22 => 53.0,
                20 => 33.3,
                18 => 20.9,
                16 => 13.2,
                14 => 8.28,
                12 => 5.21,
            ] as $awg => $ohms
        ) {
            yield $awg.' AWG' => [$awg, $ohms];
        }
    }

    #[DataProvider('ohmsPerKilometre')]
    public function test_resistance_of_solid_copper(int $awg, float $ohms): void
    {
        self::assertEqualsWithDelta($ohms, Gauge::awg($awg)->ohmsPerMetre() * 1000, $ohms * 0.005);
    }

    /** Fixed points of ASTM B258: 36 AWG is 0.127 mm, 0000 AWG would be 11.684 mm. */
    public function test_diameters(): void
    {
        self::assertEqualsWithDelta(0.127, Gauge::awg(36)->diameter(), 1e-9);
        self::assertEqualsWithDelta(0.5106, Gauge::awg(24)->diameter(), 0.0005);
        self::assertEqualsWithDelta(8.2515, Gauge::awg(0)->diameter(), 0.001);
    }

    public function test_an_area_is_taken_as_it_is(): void
    {
        self::assertSame(2.5, Gauge::parse('2.5 mm2')->area);
        self::assertEqualsWithDelta(6.9, Gauge::parse('2.5 mm²')->ohmsPerMetre() * 1000, 0.01);
    }

    public function test_nonsense_is_refused(): void
    {
        $this->expectException(InvalidMeasure::class);
        $this->expectExceptionMessage('"thick"');
        Gauge::parse('thick');
    }
}
