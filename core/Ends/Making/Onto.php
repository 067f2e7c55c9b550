<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

/** Which conductors are meant by where they go. */
enum Onto: string
{
    case Screen = 'screen';
    case Core = 'core';
    /** Protective earth. */
    case Earth = 'earth';
}
