<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Sartal\Core\Ways\Looming\Packing\Circle;
use Sartal\Core\Ways\Looming\Packing\EnclosingCircle;
use Sartal\Core\Ways\Looming\Packing\Laying;
use Sartal\Core\Ways\Looming\Packing\Packer;
use Sartal\Core\Ways\Looming\Packing\Packing;
use Tests\Support\Node;

/** Bundles against published packings and an independent enclosing circle. */
final class PackingTest extends TestCase
{
    /** Smallest circle round n equal ones, in their diameters: R. L. Graham et al., Discrete Mathematics 181, 1998. */
    private const PUBLISHED = [1 => 1.0, 2.0, 2.1547, 2.4142, 2.7013, 3.0, 3.0, 3.3048, 3.6131, 3.813, 3.9238, 4.0296];

    /** @return iterable<string, array{int, float}> */
    public static function equal(): iterable
    {
        foreach (self::PUBLISHED as $count => $times) {
            yield $count.' equal' => [$count, $times];
        }
    }

    #[DataProvider('equal')]
    public function test_equal_cables_pack_as_published_within_3_per_cent_and_never_below(
        int $count,
        float $times,
    ): void {
        $found = Packer::pack(array_fill(0, $count, 6.5))->diameter / 6.5;
        self::assertGreaterThanOrEqual($times - 1e-4, $found);
        self::assertLessThanOrEqual($times * 1.03, $found);
    }

    /** @return list<Packing> of seeded cables of real sizes */
    private static function mixed(): array
    {
        $random = new Randomizer(new Mt19937(41));
        $packings = [];
        foreach ([2, 3, 5, 8, 13, 21, 34, 55] as $count) {
            for ($n = 0; $n < 3; $n++) {
                $diameters = array_map(static fn (): float => $random->getInt(28, 240) / 10, range(1, $count));
                $packings[] = Packer::pack($diameters);
                $packed = array_map(
                    static fn (Circle $circle): float => round(2 * $circle->r, 6),
                    $packings[count($packings) - 1]->circles,
                );
                self::assertSame($diameters, $packed, 'each cable keeps its size and its place in the list');
            }
        }

        return $packings;
    }

    public function test_no_two_cables_overlap_and_all_lie_inside(): void
    {
        foreach (self::mixed() as $packing) {
            foreach ($packing->circles as $i => $one) {
                self::assertLessThanOrEqual($packing->diameter / 2 + 1e-6, hypot($one->x, $one->y) + $one->r);
                foreach (array_slice($packing->circles, $i + 1) as $other) {
                    self::assertGreaterThanOrEqual(
                        $one->r + $other->r - 1e-6,
                        hypot($one->x - $other->x, $one->y - $other->y),
                    );
                }
            }
        }
    }

    public function test_the_same_cables_always_pack_alike(): void
    {
        self::assertEquals(Packer::pack([3.2, 18.6, 6.4, 3.2, 11.4]), Packer::pack([3.2, 18.6, 6.4, 3.2, 11.4]));
    }

    public function test_one_thick_cable_is_as_thick_as_it_is(): void
    {
        self::assertEqualsWithDelta(18.6, Packer::pack([18.6])->diameter, 1e-9);
        self::assertEqualsWithDelta(21.8, Packer::pack([18.6, 3.2])->diameter, 1e-6);
        // A thin one lies in the gap beside two thick ones: 10, 10 and 3 mm take no more room than 20 mm.
        self::assertEqualsWithDelta(20.0, Packer::pack([10, 10, 3])->diameter, 0.05);
    }

    public function test_the_circle_round_them_is_the_one_that_an_independent_library_finds(): void
    {
        $random = new Randomizer(new Mt19937(7));
        $lists = [];
        for ($n = 0; $n < 60; $n++) {
            $lists[] = array_map(
                static fn (): array => [
                    $random->getInt(-5000, 5000) / 100,
                    $random->getInt(-5000, 5000) / 100,
                    $random->getInt(50, 1500) / 100,
                ],
                range(1, 2 + $n),
            );
        }
        foreach (self::mixed() as $packing) {
            $lists[] = array_map(
                static fn (Circle $circle): array => [$circle->x, $circle->y, $circle->r],
                $packing->circles,
            );
        }
        foreach (Node::ask('enclose', $lists) as $n => $expected) {
            $found = EnclosingCircle::around(
                array_map(static fn (array $circle): Circle => new Circle(...$circle), $lists[$n]),
            );
            self::assertEqualsWithDelta($expected[2], $found->r, $expected[2] * 1e-6, 'list '.$n);
            self::assertEqualsWithDelta($expected[0], $found->x, $expected[2] * 1e-4, 'list '.$n);
            self::assertEqualsWithDelta($expected[1], $found->y, $expected[2] * 1e-4, 'list '.$n);
        }
    }

    /** Laid one against two others, before anything is pressed: three in a triangle, seven in a flower. Geometry. */
    public function test_circles_are_laid_into_the_pocket_of_two_others(): void
    {
        foreach ([3 => 1 + 2 / sqrt(3), 7 => 3.0] as $count => $times) {
            $circles = Laying::lay(array_fill(0, $count, 2.5));
            self::assertEqualsWithDelta(
                $times,
                Packing::around(...$circles)->diameter / 5.0,
                1e-6,
                $count.' circles',
            );
        }
        $chance = new Randomizer(new Mt19937(41));
        for ($round = 0; $round < 40; $round++) {
            $radii = array_map(static fn (): float => $chance->getInt(20, 90) / 10, range(1, $chance->getInt(3, 30)));
            rsort($radii);
            $laid = Laying::lay($radii);
            foreach ($laid as $i => $circle) {
                $touched = 0;
                foreach (array_slice($laid, 0, $i) as $other) {
                    $gap = hypot($circle->x - $other->x, $circle->y - $other->y) - $circle->r - $other->r;
                    self::assertGreaterThan(-1e-6, $gap, 'none lies over another');
                    $touched += $gap < 1e-6 ? 1 : 0;
                }
                self::assertGreaterThanOrEqual(min(2, $i), $touched, 'each leans on two');
            }
        }
    }
}
