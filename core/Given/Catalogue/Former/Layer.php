<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Former;

/** What a cable is made of from the outside in, as it comes off when an end is prepared. */
enum Layer: string
{
    case Sheath = 'sheath';
    case OuterScreen = 'outer-screen';
    case InnerSheath = 'inner-sheath';
    case Screen = 'screen';
    case Separator = 'separator';
    case ConductiveLayer = 'conductive-layer';
    case Dielectric = 'dielectric';
    case Insulation = 'insulation';
    case Conductor = 'conductor';

    /** Ends where the cores begin: its mark grows with them. What is bared at a core's tip stays as it is. */
    public function isAroundTheCores(): bool
    {
        return in_array(
            $this,
            [self::Sheath, self::OuterScreen, self::InnerSheath, self::Screen, self::Separator],
            true,
        );
    }
}
