<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

/** What can be given to somebody. */
enum AssignmentKind: string
{
    case Loom = 'loom';
    case Assembly = 'assembly';
    case Skill = 'skill';
}
