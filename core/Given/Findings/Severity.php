<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Findings;

enum Severity: string
{
    /** Cannot be built, or must not be. */
    case Stop = 'stop';
    /** Can be built, and somebody should look first. */
    case Check = 'check';
    /** Good to know. */
    case Note = 'note';
}
