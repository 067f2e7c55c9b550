<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

/** How the cable's other end stands while this one is made. */
enum FarEnd: string
{
    /** Something is on it, or nobody knows. */
    case Taken = 'taken';

    /** Nothing is on it: what is slid on may come over it. */
    case Open = 'open';

    /** It is made, and with this one the cable is. */
    case Finished = 'finished';

    /** The same, and the two plug into each other. */
    case Mates = 'mates';

    public function isFinished(): bool
    {
        return $this === self::Finished || $this === self::Mates;
    }
}
