<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** What hands do to a workpiece. */
enum Verb: string
{
    case Mark = 'mark';
    case Measure = 'measure';
    case Turn = 'turn';
    case CutOff = 'cut-off';
    case Score = 'score';
    case Remove = 'remove';
    case Tear = 'tear';
    case Fold = 'fold';
    case Open = 'open';
    case Untwist = 'untwist';
    case Twist = 'twist';
    case Point = 'point';
    case Wind = 'wind';
    case Trim = 'trim';
    case Arrange = 'arrange';
    case Wet = 'wet';
    case Tin = 'tin';
    case Tape = 'tape';
    case Insulate = 'insulate';
    case Slide = 'slide';
    case Seat = 'seat';
    case Insert = 'insert';
    case LayIn = 'lay-in';
    case Ferrule = 'ferrule';
    case Mate = 'mate';
    case Join = 'join';
    case Clamp = 'clamp';
    case PressIn = 'press-in';
    case PushOn = 'push-on';
    case LayForward = 'lay-forward';
    case Slit = 'slit';
    case Crimp = 'crimp';
    case SolderOn = 'solder-on';
    case Load = 'load';
    case Fix = 'fix';
    case Shrink = 'shrink';
    case Tie = 'tie';
    case Bind = 'bind';
    case Cool = 'cool';
    case LookOver = 'look-over';
    case Tug = 'tug';
    case Close = 'close';
    case Coil = 'coil';

    /** What it does is not undone: it is cut, bared, full of solder or crimped. */
    public function isForGood(): bool
    {
        return in_array(
            $this,
            [
                self::CutOff,
                self::Score,
                self::Remove,
                self::Tear,
                self::Trim,
                self::Point,
                self::Slit,
                self::Tin,
                self::Crimp,
                self::SolderOn,
                self::Ferrule,
                self::PressIn,
            ],
            true,
        );
    }

    /** From it on nothing comes along the cable any more. */
    public function isJoining(): bool
    {
        return in_array(
            $this,
            [self::Join, self::Clamp, self::Load, self::Insert, self::LayIn, self::PushOn],
            true,
        );
    }

    /** It puts a contact or a ferrule on each core. */
    public function endsCores(): bool
    {
        return in_array($this, [self::Crimp, self::SolderOn, self::Ferrule], true);
    }

    /** It heats something, or crushes it: what has not arrived by then does not. */
    public function isHotOrCrimped(): bool
    {
        return in_array($this, [self::Tin, self::Wet, self::Join, self::Crimp, self::SolderOn, self::Ferrule], true);
    }
}
