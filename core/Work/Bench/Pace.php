<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Catalogue\Joining;

/**
 * By what the time of an operation is known. Minutes of practised hands:
 * round figures that add up to what is usual for whole ends (a 3-pole cable 12
 * to 15 min, a crimp contact 25 to 40 s, a category plug 4 to 6 min, a jack 5
 * to 8, a BNC 3 to 4). Source: common practice; a crew's own record tells
 * better ({@see TimeBook}).
 */
enum Pace: string
{
    case Cut = 'cut';
    case CutMetre = 'cut-metre';
    case Mark = 'mark';
    case PullMetre = 'pull-metre';
    case Cover = 'cover';
    case SlideOn = 'slide-on';
    case Gate = 'gate';
    case TakeOff = 'take-off';
    case Handle = 'handle';
    case Fill = 'fill';
    case Strip = 'strip';
    case StripSheath = 'strip-sheath';
    case Dress = 'dress';
    case Order = 'order';
    case Tin = 'tin';
    case Crimp = 'crimp';
    case JoinSolder = 'join-solder';
    case JoinCrimp = 'join-crimp';
    case JoinPlug = 'join-plug';
    case JoinSlot = 'join-slot';
    case JoinScrew = 'join-screw';
    case JoinCoax = 'join-coax';
    case JoinClamp = 'join-clamp';
    case Tug = 'tug';
    case Inspect = 'inspect';
    case Close = 'close';
    case Shrink = 'shrink';
    case Label = 'label';
    case Test = 'test';

    /** min for one */
    public function minutes(): float
    {
        return match ($this) {
            self::Cut => 1.5,
            self::CutMetre => 0.05,
            self::Mark => 0.3,
            self::PullMetre => 0.25,
            self::Cover => 1.0,
            self::SlideOn => 0.15,
            self::Gate => 0.15,
            self::TakeOff => 0.3,
            self::Handle => 0.12,
            self::Fill => 0.1,
            self::Strip => 0.4,
            self::StripSheath => 1.5,
            self::Dress => 0.5,
            self::Order => 1.5,
            self::Tin => 0.3,
            self::Crimp => 0.35,
            self::JoinSolder => 0.6,
            self::JoinCrimp => 0.2,
            self::JoinPlug => 0.9,
            self::JoinSlot => 0.3,
            self::JoinScrew => 0.7,
            self::JoinCoax => 0.6,
            self::JoinClamp => 1.5,
            self::Tug => 0.1,
            self::Inspect => 0.4,
            self::Close => 0.6,
            self::Shrink => 0.5,
            self::Label => 0.5,
            self::Test => 2.0,
        };
    }

    public static function joining(Joining $joining): self
    {
        return match ($joining) {
            Joining::SolderCup, Joining::SolderLug => self::JoinSolder,
            Joining::Crimp => self::JoinCrimp,
            Joining::DisplacementPlug => self::JoinPlug,
            Joining::DisplacementSlot => self::JoinSlot,
            Joining::Screw => self::JoinScrew,
            Joining::CoaxCrimp => self::JoinCoax,
            Joining::CoaxClamp => self::JoinClamp,
        };
    }
}
