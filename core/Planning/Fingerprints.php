<?php

declare(strict_types=1);

namespace Sartal\Core\Planning;

use Sartal\Core\Installation\Side;
use Sartal\Core\Record\EventKind;

/** The parts of a run's plan that work relies on, each as a short hash of what it says. */
final readonly class Fingerprints
{
    /** @param  array<string, string>  $ends by side */
    public function __construct(
        public string $cut,
        public array $ends,
        public string $labels,
        public string $route,
        public string $reading,
    ) {
    }

    /** What an event of this kind relies on. */
    public function for(EventKind $kind, ?Side $side): string
    {
        return match ($kind) {
            EventKind::Cut => $this->cut,
            EventKind::SlidOn, EventKind::Prepared, EventKind::ContactJoined, EventKind::Joined, EventKind::Closed, EventKind::Remade => $side === null ? '' : $this->ends[$side->value] ?? '',
            EventKind::Inspected => implode('', $this->ends),
            EventKind::Labelled => $this->labels,
            EventKind::Pulled, EventKind::Dressed, EventKind::Installed => $this->route,
            EventKind::Tested, EventKind::SignedOff => $this->reading,
            default => '',
        };
    }

    public static function hash(mixed $of): string
    {
        return substr(hash('xxh128', serialize($of)), 0, 16);
    }
}
