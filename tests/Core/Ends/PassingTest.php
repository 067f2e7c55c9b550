<?php

declare(strict_types=1);

namespace Tests\Core\Ends;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Sartal\Core\Ends\Preparing\Passing;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Catalogue\DiameterRange;
use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Catalogue\PartKind;
use Sartal\Core\Given\Measure\Length;

/** What goes over what: geometry, worked by hand. */
final class PassingTest extends TestCase
{
    private static function tube(?string $bore, bool $split = false, PartKind $kind = PartKind::Boot): Part
    {
        $grips = $bore === null ? null : new DiameterRange(Length::zero(), Length::parse($bore));

        return new Part('tube', 'Tube', $kind, grips: $grips, split: $split);
    }

    /** @return array<string, array{?string, bool, ?string, bool}> */
    public static function girths(): array
    {
        return [
            'just as wide' => ['6 mm', false, '6 mm', true],
            'a hair too narrow' => ['6 mm', false, '6.01 mm', false],
            'wider' => ['6.01 mm', false, '6 mm', true],
            'nobody knows how wide' => [null, false, '6 mm', false],
            'over what nobody has measured' => ['6 mm', false, null, false],
            'open along its side' => [null, true, null, true],
        ];
    }

    #[DataProvider('girths')]
    public function test_a_tube_passes_what_is_no_wider_than_its_bore(
        ?string $bore,
        bool $split,
        ?string $outer,
        bool $passes,
    ): void {
        $around = $outer === null ? null : Length::parse($outer);
        self::assertSame($passes, Passing::over(self::tube($bore, $split), $around));
    }

    /** Round is as wide as it is; a box is its diagonal for a stiff tube, a circle of its girth for one that gives. */
    public function test_a_box_is_as_wide_as_its_diagonal_for_a_stiff_tube_and_less_for_one_that_gives(): void
    {
        $connectors = ShippedCatalogue::load()->connectors();
        $seen = [];
        foreach ($connectors as $connector) {
            [$width, $height] = [
                $connector->outline->width->inMillimetres(),
                $connector->outline->height->inMillimetres(),
            ];
            $seen[$connector->outline->shape === 'round'] = true;
            foreach ([true, false] as $gives) {
                $expected = match (true) {
                    $connector->outline->shape === 'round' => max($width, $height),
                    $gives => (2 * ($width + $height)) / pi(),
                    default => sqrt($width ** 2 + $height ** 2),
                };
                self::assertEqualsWithDelta(
                    $expected,
                    Passing::around($connector, $gives)->inMillimetres(),
                    0.0006,
                    $connector->name,
                );
            }
        }
        self::assertCount(2, $seen, 'The catalogue has both.');
    }

    public function test_one_of_a_part_is_slid_on_before_where_it_does_not_pass_afterwards(): void
    {
        $connector = ShippedCatalogue::load()->connectors()['xlr3-male-cable'];
        $on = static fn (Part $part): array => [
            ($slid = SlideOn::onto($part, $connector))->before,
            $slid->count,
            $slid->part->id,
        ];
        self::assertSame([false, 1, 'tube'], $on(self::tube(null, true)));
        self::assertSame([true, 1, 'tube'], $on(self::tube(null)));
        self::assertSame([true, 1, 'tube'], $on(self::tube('3 mm')));
        self::assertSame([false, 1, 'tube'], $on(self::tube('90 mm')));
    }
}
