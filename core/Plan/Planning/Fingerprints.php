<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;
use Sartal\Core\Given\Measure\Lean;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\EndMade;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Testing\ReadingPrint;

/** The facts of a run's plan that work relies on, and whether they are still what work relied on. */
final readonly class Fingerprints
{
    use Lean;

    /**
     * @param  string  $cable  type that the run is made of
     * @param  Worked  $cut  length that it is cut at
     * @param  array<int|string, list<string>>  $joints  by side: "conductor>node", what its end is made by
     * @param  list<list<string>>  $labels  what each reads
     * @param  array{list<string>, string, string}  $route  ways in order, and between which places
     * @param  ?ReadingPrint  $reading  of its assembly; null where nothing relies on it yet
     */
    public function __construct(
        public string $cable,
        public Worked $cut,
        public array $joints,
        public array $labels,
        public array $route,
        public ?ReadingPrint $reading,
    ) {
    }

    /** What an event of this kind relies on, written down with it. */
    public function for(EventKind $kind, ?Side $side): string
    {
        return $this->by(Edition::now(), $kind, $side);
    }

    /**
     * Whether what an event relied on is so today, as far as its edition
     * knew. An end stands as long as its joints do, whatever was hashed.
     */
    public function stand(Event $event): bool
    {
        $edition = Fingerprint::edition($event->fingerprint);
        if ($edition === null) {
            return false;
        }

        return $event->fingerprint === $this->by($edition, $event->kind, $event->side) ||
            ($event->fingerprint !== '' && $this->joined($event));
    }

    /** That it is cut at, as the edition knew by which a piece was cut. */
    public function length(string $fingerprint): Length
    {
        return $this->cut->known(Fingerprint::edition($fingerprint) ?? Edition::now());
    }

    /** What an event of this kind says where nobody says more: the piece as it is planned, the joints of its end. */
    public function says(EventKind $kind, ?Side $side): CutNoted|EndMade|null
    {
        $made = $this->made($kind, $side);

        return match (true) {
            $kind === EventKind::Cut => new CutNoted(
                new CutMade($this->cut->result, cable: $this->cable, planned: true),
            ),
            $made !== [] => new EndMade($made),
            default => null,
        };
    }

    /** @return list<string> joints that an event of this kind says were made */
    public function made(EventKind $kind, ?Side $side): array
    {
        return in_array($kind, [EventKind::Joined, EventKind::Remade], true) && $side !== null
            ? $this->joints[$side->value] ?? []
            : [];
    }

    private function joined(Event $event): bool
    {
        $made = $this->made($event->kind, $event->side);

        return $made !== [] && Fingerprint::sorted($made) === Fingerprint::sorted($event->joints());
    }

    private function by(Edition $edition, EventKind $kind, ?Side $side): string
    {
        return match ($kind) {
            EventKind::Cut => Fingerprint::make([$this->cable, $this->cut->known($edition)->nanometres], $edition),
            EventKind::SlidOn,
            EventKind::Prepared,
            EventKind::ContactJoined,
            EventKind::Joined,
            EventKind::Closed,
            EventKind::Remade => $side === null ? '' : $this->end($edition, $side->value),
            EventKind::Inspected => implode(
                '',
                array_map(
                    fn (int|string $side): string => $this->end($edition, (string) $side),
                    array_keys($this->joints),
                ),
            ),
            EventKind::Labelled => Fingerprint::make(
                $edition === Edition::First
                    ? $this->labels
                    : Fingerprint::sorted(array_map(serialize(...), $this->labels)),
                $edition,
            ),
            EventKind::Pulled, EventKind::Dressed, EventKind::Trimmed, EventKind::Installed => Fingerprint::make(
                $this->route,
                $edition,
            ),
            EventKind::Tested, EventKind::SignedOff => $this->reading?->by($edition) ?? '',
            default => '',
        };
    }

    private function end(Edition $edition, string $side): string
    {
        $joints = $this->joints[$side] ?? null;

        return $joints === null
            ? ''
            : Fingerprint::make($edition === Edition::First ? $joints : Fingerprint::sorted($joints), $edition);
    }
}
