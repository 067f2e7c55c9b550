<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** What a single step at the bench is about, as its id says it. */
enum StepKind: string
{
    case Cut = 'cut';
    case Mark = 'mark';
    case Pull = 'pull';
    case Thread = 'thread';
    case OnSheath = 'on';
    case Trim = 'trim';
    case Sheath = 'sheath';
    case Level = 'level';
    case Make = 'make';
    case Gate = 'gate';
    case Discard = 'discard';
    case Bare = 'bare';
    case Dress = 'dress';
    case SlideOn = 'slide-on';
    case CoreSleeve = 'core-sleeve';
    case Crimp = 'crimp';
    case Tin = 'tin';
    case Join = 'join';
    case Link = 'link';
    case Tug = 'tug';
    case Lace = 'lace';
    case Inspect = 'inspect';
    case ShrinkJoints = 'shrink-joints';
    case Close = 'close';
    case ShrinkTail = 'shrink-tail';
    case BringUp = 'bring-up';
    case ShrinkBroughtUp = 'shrink-brought-up';
    case Label = 'label';
    case Test = 'test';
}
