<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

/** Which conductors are meant by where they go. */
enum Onto: string
{
    case Screen = 'screen';
    case Core = 'core';
    /** Protective earth. */
    case Earth = 'earth';
    /** Whatever goes to a terminal. */
    case Terminal = 'terminal';
    /** A terminal that others lie over once they are joined. */
    case Under = 'under';
    /** Any other terminal than those. */
    case Over = 'over';
    /** What goes to none, and is in the way. */
    case Nothing = 'nothing';
}
