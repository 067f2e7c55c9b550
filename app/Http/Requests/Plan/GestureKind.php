<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

/** What hands do to an assembly. */
enum GestureKind: string
{
    /** What goes where, in lines of words. */
    case Line = 'line';

    case Land = 'land';
    case Free = 'free';
    case Leave = 'leave';
    case Join = 'join';

    /** The drain of mains with protective earth, at both ends. */
    case EarthDrain = 'earth-drain';

    case AsPlanned = 'as-planned';
    case Jump = 'jump';
    case Unjump = 'unjump';
    case Splice = 'splice';
    case Unsplice = 'unsplice';
    case FitSwitch = 'fit-switch';
    case RemoveSwitch = 'remove-switch';
    case Share = 'share';
    case Unshare = 'unshare';
    case Equip = 'equip';
    case Boots = 'boots';
    case Part = 'part';
    case Gather = 'gather';
    case Shape = 'shape';
}
