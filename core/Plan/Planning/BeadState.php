<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

enum BeadState: string
{
    case ToDo = 'to-do';
    case Done = 'done';
    /** Done, but the plan has changed since. */
    case Overtaken = 'overtaken';
    case Failed = 'failed';
}
