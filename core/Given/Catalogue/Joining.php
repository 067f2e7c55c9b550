<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** How a conductor is joined to a terminal. */
enum Joining: string
{
    case SolderCup = 'solder-cup';
    case SolderLug = 'solder-lug';
    case Crimp = 'crimp';
    case DisplacementPlug = 'displacement-plug';
    case DisplacementSlot = 'displacement-slot';
    case Screw = 'screw';
    case CoaxCrimp = 'coax-crimp';
    case CoaxClamp = 'coax-clamp';

    public function isHot(): bool
    {
        return $this === self::SolderCup || $this === self::SolderLug;
    }

    public function isScrewed(): bool
    {
        return $this === self::Screw;
    }

    public function words(): string
    {
        return match ($this) {
            self::SolderCup => 'solder into the cup',
            self::SolderLug => 'solder to the lug',
            self::Crimp => 'crimp the contact, then insert it',
            self::DisplacementPlug => 'press through with the plug tool',
            self::DisplacementSlot => 'press into the slot',
            self::Screw => 'clamp under the screw',
            self::CoaxCrimp => 'crimp the centre pin, then the ferrule',
            self::CoaxClamp => 'clamp under the nut',
        };
    }
}
