<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/** Kinds of single faults that are simulated, the likeliest first. */
enum FaultKind: string
{
    case Open = 'open';
    case Swap = 'swap';
    case Short = 'short';
    case ShellBond = 'shell-bond';
    case Move = 'move';
    case Exchanged = 'exchanged';
    case OtherScheme = 'other-scheme';
    case UpsideDown = 'upside-down';
    case WrongSide = 'wrong-side';
    case PinOrder = 'pin-order';
    case Crossed = 'crossed';
    case Channels = 'channels';
    case Shift = 'shift';
    case Split = 'split';
    case Loose = 'loose';
    case Mirrored = 'mirrored';
    case Leak = 'leak';
    case Stuck = 'stuck';
    case Length = 'length';
    case Shuffled = 'shuffled';

    /** What is done about it: joined, parted, put in its place, or cut anew. */
    public function sort(): string
    {
        return match ($this) {
            self::Open, self::Loose => 'not joined',
            self::Short, self::ShellBond, self::Leak => 'bridged',
            self::Swap,
            self::Move,
            self::Exchanged,
            self::OtherScheme,
            self::UpsideDown,
            self::WrongSide,
            self::PinOrder,
            self::Crossed,
            self::Channels,
            self::Shift,
            self::Split,
            self::Mirrored,
            self::Shuffled => 'out of place',
            self::Stuck => 'switch',
            self::Length => 'length',
        };
    }

    /** The kind that it does the same to a signal as. */
    public function reads(): self
    {
        return $this === self::OtherScheme ? self::Crossed : $this;
    }

    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
