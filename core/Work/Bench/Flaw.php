<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Joining;

/** Something that is looked for before a connector is closed. Source: common practice. */
enum Flaw: string
{
    case BareCore = 'bare-core';
    case Wicked = 'wicked';
    case Strand = 'strand';
    case ShortCore = 'short-core';
    case Knotted = 'knotted';
    case DryJoint = 'dry-joint';
    case StiffScreen = 'stiff-screen';
    case OverStripped = 'over-stripped';
    case NearShell = 'near-shell';
    case Melted = 'melted';
    case InsulationInBarrel = 'insulation-in-barrel';
    case WrongDie = 'wrong-die';
    case PinDepth = 'pin-depth';
    case NotHome = 'not-home';
    case BraidAtCentre = 'braid-at-centre';
    case SheathBack = 'sheath-back';
    case NickedCore = 'nicked-core';
    case SeparatorProud = 'separator-proud';
    case Untwisted = 'untwisted';
    case ShortOfWall = 'short-of-wall';
    case WrongSlot = 'wrong-slot';
    case EarthNotLongest = 'earth-not-longest';
    case CopperOutside = 'copper-outside';

    /** @return list<self> that can happen where joints are made in this way */
    public static function at(?Joining $joining, HazardDomain $domain): array
    {
        $flaws = match ($joining) {
            Joining::SolderCup, Joining::SolderLug => [
                self::DryJoint,
                self::BareCore,
                self::Strand,
                self::ShortCore,
                self::Knotted,
                self::Wicked,
                self::StiffScreen,
                self::NearShell,
                self::Melted,
                self::OverStripped,
            ],
            Joining::Crimp => [
                self::NotHome,
                self::InsulationInBarrel,
                self::WrongDie,
                self::Strand,
                self::ShortCore,
                self::Knotted,
                self::OverStripped,
            ],
            Joining::DisplacementPlug => [
                self::ShortOfWall,
                self::Untwisted,
                self::NickedCore,
                self::SeparatorProud,
                self::SheathBack,
            ],
            Joining::DisplacementSlot => [self::WrongSlot, self::Untwisted, self::NickedCore, self::SeparatorProud],
            Joining::Screw => [self::CopperOutside, self::Strand, self::ShortCore, self::OverStripped],
            Joining::CoaxCrimp, Joining::CoaxClamp, null => [
                self::PinDepth,
                self::BraidAtCentre,
                self::SheathBack,
                self::WrongDie,
                self::NickedCore,
            ],
        };

        return $domain === HazardDomain::Mains ? [self::EarthNotLongest, ...$flaws] : $flaws;
    }

    public function words(): string
    {
        return match ($this) {
            self::BareCore => 'Bare core shows for more than one or two core diameters',
            self::Wicked => 'Solder has crept under the insulation',
            self::Strand => 'A strand stands out',
            self::ShortCore => 'A core is shorter than it has to be',
            self::Knotted => 'Cores are knotted or balled up to fit',
            self::DryJoint => 'A joint is dry, a blob, or beside its cup, or moves when tugged',
            self::StiffScreen => 'The screen is stiff with solder up to the sheath',
            self::OverStripped => 'The clamp would bite the cores, or the very end of the sheath',
            self::NearShell => 'Solder or screen comes near the shell lug',
            self::Melted => 'Insulation is melted',
            self::InsulationInBarrel => 'Insulation is in the conductor barrel',
            self::WrongDie => 'Crimped with another die, or twice',
            self::PinDepth => 'The pin is not at its depth',
            self::NotHome => 'A contact is not home, or moves when tugged',
            self::BraidAtCentre => 'A braid strand is at the centre',
            self::SheathBack => 'The sheath has slipped back',
            self::NickedCore => 'A core is nicked',
            self::SeparatorProud => 'The separator stands proud',
            self::Untwisted => 'A pair is untwisted for too long',
            self::ShortOfWall => 'A conductor is short of the front wall',
            self::WrongSlot => 'A conductor is in another slot, or not pressed home',
            self::EarthNotLongest => 'Protective earth is not the longest',
            self::CopperOutside => 'Copper shows outside the terminal',
        };
    }

    public function why(): string
    {
        return match ($this) {
            self::BareCore => 'A weak place, and it can turn into a short.',
            self::Wicked => 'It spreads the bend for some and stiffens the core for others.',
            self::Strand => 'It breaks off and shorts later.',
            self::ShortCore => 'It takes all of the pull.',
            self::Knotted => 'Stress now, a short later.',
            self::DryJoint, self::NotHome => 'It holds today and lets go later.',
            self::StiffScreen => 'The screen breaks where the solder ends.',
            self::OverStripped => 'Nothing holds the cable.',
            self::NearShell => 'The shell is bonded by accident, and a ground lift lifts nothing.',
            self::Melted => 'The core shorts to the screen.',
            self::InsulationInBarrel, self::WrongDie => 'The crimp holds the insulation, not the wire.',
            self::PinDepth => 'The contact does not meet its mate, or splits it.',
            self::BraidAtCentre => 'A short that comes and goes.',
            self::SheathBack => 'The joints take the pull.',
            self::NickedCore => 'It breaks when it is moved.',
            self::SeparatorProud => 'It holds the pairs off their contacts.',
            self::Untwisted => 'Pairs hear each other; 13 mm is the most at a contact (ANSI/TIA-568).',
            self::ShortOfWall => 'Its blade does not reach it.',
            self::WrongSlot => 'The order of the slots is not the order of the pins.',
            self::EarthNotLongest => 'It has to be the last to take the strain.',
            self::CopperOutside => 'It can be touched.',
        };
    }

    public function usual(): Disposition
    {
        return match ($this) {
            self::Wicked => Disposition::Accept,
            self::BareCore,
            self::DryJoint,
            self::StiffScreen,
            self::NotHome,
            self::PinDepth,
            self::WrongSlot,
            self::SeparatorProud,
            self::InsulationInBarrel,
            self::WrongDie,
            self::CopperOutside => Disposition::Rework,
            default => Disposition::Remake,
        };
    }
}
