<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** Which cables may lie in a way: the building's own separation of mains and signal. */
enum Takes: string
{
    case Both = 'both';
    case Signal = 'signal';
    case Mains = 'mains';
}
