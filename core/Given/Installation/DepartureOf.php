<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What another answer than the house's is given for; of two that differ, the later one here holds. */
enum DepartureOf: string
{
    case Family = 'family';
    case Loom = 'loom';
}
