<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Where cables come into a rack. */
enum RackEntry: string
{
    case Top = 'top';
    case Bottom = 'bottom';
}
