<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;

/** Sizes that ways come in, by their inside and from the smallest up: common practice, mm. */
final class Sizes
{
    private const CONDUIT = [13, 17, 21, 28, 35, 44, 56, 69, 90, 105];

    private const TRUNKING = [
        [50, 50],
        [75, 50],
        [75, 75],
        [100, 50],
        [100, 75],
        [100, 100],
        [150, 75],
        [150, 100],
        [150, 150],
        [200, 100],
        [200, 150],
        [200, 200],
        [300, 150],
        [300, 300],
    ];

    private const TRAY = [
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
    ];

    /**
     * The smallest size that is larger inside than the given area.
     *
     * @param  float  $area  mm²
     */
    public static function holding(Way $way, float $area): ?Bore
    {
        foreach (self::from($way->kind) as $bore) {
            if ($bore->area() >= $area) {
                return $bore;
            }
        }

        return null;
    }

    /** The smallest size of the kind that something of this cross-section goes through. */
    public static function passing(WayKind $kind, Length $wide, Length $high): ?Bore
    {
        foreach (self::from($kind) as $bore) {
            if ($bore->passes($wide, $high)) {
                return $bore;
            }
        }

        return null;
    }

    /** @return list<Bore> by area */
    private static function from(WayKind $kind): array
    {
        $bores = match ($kind) {
            WayKind::Conduit => array_map(
                static fn (int $diameter): Bore => Bore::round(Length::millimetres($diameter)),
                self::CONDUIT,
            ),
            WayKind::Trunking => array_map(self::box(...), self::TRUNKING),
            WayKind::Tray => array_map(self::box(...), self::TRAY),
            WayKind::Riser, WayKind::Void, WayKind::FreeAir => [],
        };
        usort($bores, static fn (Bore $a, Bore $b): int => $a->area() <=> $b->area());

        return $bores;
    }

    /** @param  array{int, int}  $sides */
    private static function box(array $sides): Bore
    {
        return Bore::rectangular(Length::millimetres($sides[0]), Length::millimetres($sides[1]));
    }
}
