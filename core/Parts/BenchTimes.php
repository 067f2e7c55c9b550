<?php

declare(strict_types=1);

namespace Sartal\Core\Parts;

use Sartal\Core\Catalogue\Joining;

/** Minutes of practised hands, round figures. Source: common practice; an installation's own record will tell better. */
final class BenchTimes
{
    public const CUT = 1.5;

    public const CUT_PER_METRE = 0.05;

    public const END = 2.0;

    public const LEG = 1.0;

    public const LABEL = 0.5;

    public const LOOK = 1.0;

    public const TEST = 2.0;

    public static function joint(Joining $joining): float
    {
        return match ($joining) {
            Joining::SolderCup, Joining::SolderLug => 1.5,
            Joining::Crimp => 0.6,
            Joining::DisplacementPlug => 0.4,
            Joining::DisplacementSlot => 0.4,
            Joining::Screw => 0.7,
            Joining::CoaxCrimp => 2.0,
            Joining::CoaxClamp => 3.0,
        };
    }
}
