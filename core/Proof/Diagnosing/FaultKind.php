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
    case Crossed = 'crossed';
    case Shift = 'shift';
    case Split = 'split';
    case Loose = 'loose';
    case Mirrored = 'mirrored';
    case Leak = 'leak';
    case Stuck = 'stuck';
    case Length = 'length';

    public function rank(): int
    {
        return (int) array_search($this, self::cases(), true);
    }
}
