<?php

declare(strict_types=1);

namespace Tests\Core\Given;

use App\Planning\ShippedCatalogue;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\Attributes\TestWith;
use PHPUnit\Framework\TestCase;
use Sartal\Core\File\Decided;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\Given\Catalogue\CableFace;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Catalogue\ElementKind;
use Sartal\Core\Given\Catalogue\FaceCircle;

/** A cable cut across: everything in it, within what holds it, and beside its neighbours. */
final class CableFaceTest extends TestCase
{
    private const ROUNDING = 1e-6;

    /** @return iterable<string, array{CableType}> */
    public static function cables(): iterable
    {
        foreach (ShippedCatalogue::load()->cables() as $id => $cable) {
            yield (string) $id => [$cable];
        }
    }

    #[DataProvider('cables')]
    public function test_every_piece_is_there_within_what_holds_it_and_over_no_neighbour(CableType $cable): void
    {
        $at = [];
        foreach (CableFace::of($cable) as $circle) {
            self::assertArrayNotHasKey($circle->path, $at);
            $at[$circle->path] = $circle;
        }
        foreach ($cable->elements() as $path => $element) {
            self::assertArrayHasKey($path, $at, (string) $path);
        }
        foreach ($at as $path => $circle) {
            self::assertGreaterThan(0.0, $circle->radius, (string) $path);
            if ($path === '') {
                continue;
            }
            $path = (string) $path;
            $holds = $at[str_contains($path, '/') ? substr($path, 0, (int) strrpos($path, '/')) : ''];
            self::assertLessThanOrEqual(
                $holds->radius + self::ROUNDING,
                self::apart($circle, $holds) + $circle->radius,
                $path,
            );
            foreach ($at as $other) {
                if (self::isBeside($circle, $other)) {
                    self::assertGreaterThanOrEqual(
                        $circle->radius + $other->radius - self::ROUNDING,
                        self::apart($circle, $other),
                        $path.' and '.$other->path,
                    );
                }
            }
        }
    }

    private static function apart(FaceCircle $one, FaceCircle $other): float
    {
        return hypot($one->x - $other->x, $one->y - $other->y);
    }

    /** Siblings but for what lies round the others. */
    private static function isBeside(FaceCircle $one, FaceCircle $other): bool
    {
        $around = [ElementKind::Foil, ElementKind::Screen];

        return $one !== $other &&
            $other->path !== '' &&
            dirname('/'.$one->path) === dirname('/'.$other->path) &&
            ! in_array($one->kind, $around, true) &&
            ! in_array($other->kind, $around, true);
    }

    /**
     * Round one wire lie six, round those twelve: three and five wires across. Concentric stranding, common practice
     * (ASTM B8).
     */
    #[TestWith([1, 1])]
    #[TestWith([2, 2])]
    #[TestWith([7, 3])]
    #[TestWith([19, 5])]
    #[TestWith([37, 7])]
    public function test_layers_are_as_wires_are_stranded(int $count, int $across): void
    {
        $cores = [];
        for ($n = 1; $n <= $count; $n++) {
            $cores[] = [
                'key' => 'c'.$n,
                'kind' => 'core',
                'label' => (string) $n,
                'gauge' => '1 mm2',
                'diameter' => '2 mm',
            ];
        }
        $type = Decided::type(DecisionKind::Cable, [
            'id' => 'x',
            'name' => 'x',
            'family' => 'control',
            'prefix' => 'X',
            'outerDiameter' => '100 mm',
            'sheath' => 'grey',
            'construction' => ['key' => '', 'kind' => 'group', 'label' => '', 'children' => $cores],
        ])->theCable('x');
        $reach = 0.0;
        foreach (array_slice(CableFace::of($type), 1) as $circle) {
            $reach = max($reach, hypot($circle->x, $circle->y) + $circle->radius);
        }
        self::assertEqualsWithDelta($across * 2.0, 2 * $reach, 1e-6);
    }
}
