<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

enum EdgeKind: string
{
    /** Along the cable, from one end to the other. */
    case Conductor = 'conductor';
    /** A conductor's end in a terminal. */
    case Joint = 'joint';
    /** Bare conductors that lie against each other inside the sheath. */
    case Touch = 'touch';
    /** A wire between terminals. */
    case Link = 'link';
    /** A switch; part of the wiring while it is closed. */
    case Switch = 'switch';
    /** Two halves of a mated pair. */
    case Mate = 'mate';
    /** Not meant to be: added by a fault. */
    case Stray = 'stray';
}
