<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

/** What hands do to a workpiece. */
enum Verb: string
{
    case CutOff = 'cut-off';
    case Remove = 'remove';
    case Tear = 'tear';
    case Fold = 'fold';
    case Open = 'open';
    case Twist = 'twist';
    case Wind = 'wind';
    case Trim = 'trim';
    case Arrange = 'arrange';
    case Wet = 'wet';
    case Tin = 'tin';
    case Slide = 'slide';
    case Seat = 'seat';
    case Insert = 'insert';
    case Join = 'join';
    case PressIn = 'press-in';
    case PushOn = 'push-on';
    case LayForward = 'lay-forward';
    case Slit = 'slit';
    case Crimp = 'crimp';
    case Load = 'load';
    case Fix = 'fix';
    case Cool = 'cool';
    case LookOver = 'look-over';
    case Tug = 'tug';
    case Close = 'close';
}
