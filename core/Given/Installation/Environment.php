<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What surrounds a way. A way that names none is dry. */
enum Environment: string
{
    case Damp = 'damp';
    case Outdoor = 'outdoor';
    case AirHandling = 'air-handling';
    case NearMains = 'near-mains';
}
