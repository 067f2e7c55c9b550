<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\EventKind;

/** The parts of a run's plan that work relies on, each as a short hash of what it says. */
final readonly class Fingerprints
{
    /**
     * @param  array<int|string, string>  $ends  by side
     * @param  string  $cable  type that the run is made of
     * @param  Length  $length  that it is cut at
     * @param  array<int|string, list<string>>  $joints  by side: "conductor>node", what its end is made by
     */
    public function __construct(
        public string $cut,
        public array $ends,
        public string $labels,
        public string $route,
        public string $reading,
        public string $cable,
        public Length $length,
        public array $joints,
    ) {
    }

    /** What an event of this kind relies on. */
    public function for(EventKind $kind, ?Side $side): string
    {
        return match ($kind) {
            EventKind::Cut => $this->cut,
            EventKind::SlidOn,
            EventKind::Prepared,
            EventKind::ContactJoined,
            EventKind::Joined,
            EventKind::Closed,
            EventKind::Remade => $side === null ? '' : $this->ends[$side->value] ?? '',
            EventKind::Inspected => implode('', $this->ends),
            EventKind::Labelled => $this->labels,
            EventKind::Pulled, EventKind::Dressed, EventKind::Trimmed, EventKind::Installed => $this->route,
            EventKind::Tested, EventKind::SignedOff => $this->reading,
            default => '',
        };
    }

    /** The piece that a cut of this kind leaves, where nobody measured it. */
    public function piece(EventKind $kind): ?CutMade
    {
        return $kind === EventKind::Cut ? new CutMade($this->length, cable: $this->cable, planned: true) : null;
    }

    /** @return list<string> joints that an event of this kind says were made */
    public function made(EventKind $kind, ?Side $side): array
    {
        return in_array($kind, [EventKind::Joined, EventKind::Remade], true) && $side !== null
            ? $this->joints[$side->value] ?? []
            : [];
    }

    public static function hash(mixed $of): string
    {
        return substr(hash('xxh128', serialize($of)), 0, 16);
    }
}
