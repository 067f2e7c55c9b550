<?php

declare(strict_types=1);

namespace Tests\Reference;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Given\Catalogue\CoaxGeometry;
use Sartal\Core\Given\Measure\Length;

/** Coaxial lines from their geometry against textbook values: Pozar, Microwave Engineering (from memory). */
final class CoaxTest extends TestCase
{
    private static function line(float $ratio, float $permittivity): CoaxGeometry
    {
        return new CoaxGeometry(Length::millimetres(1), Length::millimetres($ratio), $permittivity);
    }

    /** In air, least attenuation lies at D/d = 3.591 and 76.7 Ω, most power at D/d = 1.649 and 30 Ω. */
    public function test_the_two_famous_ratios_in_air(): void
    {
        self::assertEqualsWithDelta(76.7, self::line(3.5911, 1)->impedance(), 0.1);
        self::assertEqualsWithDelta(30.0, self::line(1.6487, 1)->impedance(), 0.1);
    }

    /**
     * Solid polyethylene, εr 2.25: 75 Ω has 67 pF/m and 50 Ω has 100 pF/m (handbook figures, from memory), velocity 66
     * %.
     */
    public function test_solid_polyethylene(): void
    {
        $seventyFive = self::line(exp((75 * 1.5) / 59.96), 2.25);
        self::assertEqualsWithDelta(67, $seventyFive->capacitance() * 1e12, 1);
        self::assertEqualsWithDelta(0.66, $seventyFive->velocity(), 0.01);
        self::assertEqualsWithDelta(100, self::line(exp((50 * 1.5) / 59.96), 2.25)->capacitance() * 1e12, 1);
    }

    /** Whatever the geometry, Z0 = 1 / (v C): any text on transmission lines. */
    public function test_impedance_capacitance_and_velocity_agree(): void
    {
        foreach ([[2.0, 1.0], [3.5, 1.5], [6.0, 2.25], [12.0, 4.0]] as [$ratio, $permittivity]) {
            $line = self::line($ratio, $permittivity);
            self::assertEqualsWithDelta(
                $line->impedance(),
                1 / ($line->velocity() * 299_792_458 * $line->capacitance()),
                (0.02 * $line->impedance()) / 10,
            );
        }
    }

    /** @return iterable<string, array{string, float}> */
    public static function shipped(): iterable
    {
        foreach (ShippedCatalogue::load()->cables() as $id => $cable) {
            if (in_array($cable->family, ['video', 'radio'], true)) {
                yield $id => [$id, str_contains($id, '-50-') ? 50.0 : 75.0];
            }
        }
    }

    #[DataProvider('shipped')]
    public function test_what_a_shipped_coax_is_called_follows_from_its_geometry(string $id, float $ohms): void
    {
        $cable = ShippedCatalogue::load()->cables()[$id];
        self::assertEqualsWithDelta($ohms, $cable->impedance('') ?? 0.0, 1.0);
        foreach ($cable->construction->children as $element) {
            $line = $cable->coax($element);
            self::assertNotNull($line);
            self::assertTrue($line->dielectric->compare($cable->outerDiameter) < 0, 'the dielectric fits its sheath');
        }
    }
}
