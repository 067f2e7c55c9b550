<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** What cables lie in, on their way through the building. */
enum WayKind: string
{
    case Tray = 'tray';
    case Trunking = 'trunking';
    case Conduit = 'conduit';
    case Riser = 'riser';
    case Void = 'void';
    case FreeAir = 'free air';

    /** Cables are pulled through it from an end, not laid in. */
    public function isPulledThrough(): bool
    {
        return $this === self::Conduit;
    }
}
