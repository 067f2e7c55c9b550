<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

enum ReachVerdict: string
{
    case Reaches = 'reaches';
    /** Within the limit, beyond what is planned to. */
    case Tight = 'tight';
    case Beyond = 'beyond';
    /** A cable type does not say what it takes. */
    case Unknown = 'unknown';
}
