<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

/** How a part comes to its place. */
enum Arrival: string
{
    /** Along the cable, from this end or over the other one while that is open. */
    case Slid = 'slid';

    /** Along the cable from this end alone: it does not pass what is at the other. */
    case SlidHere = 'slid-here';

    /** It lies on the cable already: it came over the other end. */
    case There = 'there';

    /** From the front, past the terminals. */
    case Front = 'front';

    /** From the side, or wrapped round: at any time. */
    case Side = 'side';
}
