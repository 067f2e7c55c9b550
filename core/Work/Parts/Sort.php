<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

/** What something on a parts list is, and in what it is counted. */
enum Sort: string
{
    case Cable = 'cable';
    case Connector = 'connector';
    case Part = 'part';
}
