<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** What takes the centre of a coaxial cable. */
enum Centre: string
{
    /** It has none: a connector of other kinds. */
    case None = 'none';

    /** The connector's own, which the bare centre is pushed into. */
    case Captive = 'captive';

    /** A pin that is crimped on first. */
    case Pin = 'pin';

    /** Springs that take it as it is pushed in: nothing is crimped. */
    case Fingers = 'fingers';
}
