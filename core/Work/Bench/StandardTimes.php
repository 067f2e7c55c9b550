<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Joining;

/**
 * Minutes of practised hands, by what is done. Round figures that add up to
 * what is usual for whole ends (a 3-pole cable 12 to 15 min, a crimp contact
 * 25 to 40 s, a category plug 4 to 6 min, a jack 5 to 8, a BNC 3 to 4).
 * Source: common practice; a crew's own record tells better.
 */
final class StandardTimes
{
    private const MINUTES = [
        'cut' => 1.5,
        'cut-metre' => 0.05,
        'mark' => 0.3,
        'pull-metre' => 0.25,
        'cover' => 1.0,
        'slide-on' => 0.15,
        'strip' => 0.4,
        'strip-sheath' => 1.5,
        'dress' => 0.5,
        'order' => 1.5,
        'tin' => 0.3,
        'crimp' => 0.35,
        'join-solder' => 0.6,
        'join-crimp' => 0.2,
        'join-plug' => 0.9,
        'join-slot' => 0.3,
        'join-screw' => 0.7,
        'join-coax' => 0.6,
        'join-clamp' => 1.5,
        'tug' => 0.1,
        'inspect' => 0.4,
        'close' => 0.6,
        'shrink' => 0.5,
        'label' => 0.5,
        'test' => 2.0,
    ];

    /** @throws \LogicException for a pace that is not in the list */
    public static function minutes(string $pace): float
    {
        return self::MINUTES[$pace] ?? throw new \LogicException(sprintf('There is no standard time for "%s".', $pace));
    }

    /** @return array<int|string, float> */
    public static function all(): array
    {
        return self::MINUTES;
    }

    public static function joining(Joining $joining): string
    {
        return match ($joining) {
            Joining::SolderCup, Joining::SolderLug => 'join-solder',
            Joining::Crimp => 'join-crimp',
            Joining::DisplacementPlug => 'join-plug',
            Joining::DisplacementSlot => 'join-slot',
            Joining::Screw => 'join-screw',
            Joining::CoaxCrimp => 'join-coax',
            Joining::CoaxClamp => 'join-clamp',
        };
    }
}
