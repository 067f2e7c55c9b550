<?php

declare(strict_types=1);

namespace Tests\Support;

use Sartal\Core\Given\Installation\Bore;
use Sartal\Core\Given\Installation\Junction;
use Sartal\Core\Given\Installation\Location;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Panel;
use Sartal\Core\Given\Installation\TailCut;
use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Installation\WayKind;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Proposing\RunRequest;

/**
 * A small building: a rack, a hall in two branches, and a place at the foot of
 * a riser.
 *
 *   rack --(tray 10 m)-- hall --(left 4 m)-- left
 *                        hall --(right 6 m)-- right
 *   rack --(riser 3 m)-- cellar
 */
final class Site
{
    /** @return array<string, Location> */
    public static function locations(): array
    {
        $locations = [];
        foreach (['rack', 'left', 'right', 'cellar'] as $id) {
            $locations[$id] = new Location($id, ucfirst($id));
        }

        return $locations;
    }

    /** @return array<string, Way> */
    public static function ways(Way ...$others): array
    {
        $ways = [
            'tray' => self::way('tray', WayKind::Tray, 10, 'rack', 'hall'),
            'to-left' => self::way('to-left', WayKind::FreeAir, 4, 'hall', 'left'),
            'to-right' => self::way('to-right', WayKind::FreeAir, 6, 'hall', 'right'),
            'riser' => self::way('riser', WayKind::Riser, 3, 'rack', 'cellar'),
        ];
        foreach ($others as $way) {
            $ways[$way->id] = $way;
        }

        return $ways;
    }

    public static function way(
        string $id,
        WayKind $kind,
        float $metres,
        string $from,
        string $to,
        ?Bore $inner = null,
        mixed ...$more,
    ): Way {
        return new Way($id, ucfirst($id), $kind, Length::metres($metres), $from, $to, $inner, ...$more);
    }

    /** @param  array<string, Way>  $ways */
    public static function of(array $ways, RunRequest ...$requests): Bench
    {
        return Bench::of(...$requests)->with(
            locations: self::locations(),
            junctions: ['hall' => new Junction('hall', 'Hall')],
            ways: $ways,
        );
    }

    /** A microphone run from a place to the rack, in a loom or by itself. */
    public static function run(
        string $id,
        string $from = 'left',
        string $to = 'rack',
        string $cable = 'pair-foil',
        ?string $loom = null,
    ): RunRequest {
        $request = Bench::request(
            $id,
            $cable,
            ['analogue'],
            ['xlr3-female-cable-balanced'],
            ['xlr3-male-cable-balanced'],
        );

        return new RunRequest(
            $id,
            $id,
            $cable,
            $request->signals,
            $request->build,
            self::at($request->a, $from),
            self::at($request->b, $to),
            [],
            $loom,
        );
    }

    private static function at(
        \Sartal\Core\Plan\Proposing\Termination $end,
        string $location,
    ): \Sartal\Core\Plan\Proposing\Termination {
        return new \Sartal\Core\Plan\Proposing\Termination(
            $location,
            $end->plans,
            $end->tail,
            $end->slack,
            $end->preparation,
            $end->spares,
            $end->leg,
        );
    }

    public static function loom(string $id, mixed ...$changes): Loom
    {
        $named = Loom::named($id, 'Loom '.$id);

        return new Loom(...array_merge(get_object_vars($named), $changes));
    }

    /** @param  array<string, string>  $places */
    public static function panel(array $places, TailCut $tails = TailCut::Equal): Panel
    {
        $mm = Length::millimetres(...);

        return new Panel(
            'p',
            'Panel',
            'rack',
            3,
            4,
            $mm(30),
            $mm(20),
            $mm(50),
            $mm(40),
            $mm(0),
            $mm(60),
            [$mm(60)],
            $mm(70),
            $mm(100),
            $tails,
            null,
            $places,
        );
    }
}
