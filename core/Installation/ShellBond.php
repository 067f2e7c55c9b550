<?php

declare(strict_types=1);

namespace Sartal\Core\Installation;

/** Whether the screen is taken to the shell as well, where it has a contact of its own. */
enum ShellBond: string
{
    case Free = 'free';
    case Bonded = 'bonded';
}
