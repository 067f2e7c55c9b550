<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\Procedures\Centre;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\School;

/** What a workpiece is made for, and stands before: terminals, parts, the cable's other end, the house. */
final readonly class Station
{
    /**
     * @param  Centre  $centre  of coax: what takes its centre
     * @param  array<class-string<School>, School>  $answers  of the house, where they are not the usual ones
     * @param  bool  $onEquipment  how far it has to reach is measured on the equipment before it is cut
     * @param  ?Length  $measured  what was measured there, from where it leaves the sheath; null: not yet
     * @param  ?Length  $planned  what it is taken to be until then
     * @param  array<int|string, Length>  $legs  element → how long a leg is that comes out of it, where that is said
     */
    public function __construct(
        public Terminals $terminals = new Terminals(),
        public PartsThere $parts = new PartsThere(),
        public Centre $centre = Centre::None,
        public FarEnd $far = FarEnd::Taken,
        public array $answers = [],
        public bool $onEquipment = false,
        public ?Length $measured = null,
        public ?Length $planned = null,
        public array $legs = [],
    ) {
    }

    /** How far the sheath comes off for the longest of its legs; null where nobody says how long they are. */
    public function longest(): ?Length
    {
        $longest = null;
        foreach ($this->legs as $length) {
            $longest = $longest === null || $length->compare($longest) > 0 ? $length : $longest;
        }

        return $longest;
    }

    /** Whether a leg is shorter than the longest, so that it is cut. */
    public function isShorter(string $element): bool
    {
        $length = $this->legs[$element] ?? null;

        return $length !== null && $length->compare($this->longest() ?? $length) < 0;
    }

    /** @param  class-string<School>  $question */
    public function answer(string $question): School
    {
        return $this->answers[$question] ?? $question::usual();
    }

    /** A part that has to lie on the cable before anything is joined. */
    public function isOnlyByNow(string $part): bool
    {
        return match ($this->parts->arrive[$part] ?? Arrival::Front) {
            Arrival::Slid => $this->far !== FarEnd::Open,
            Arrival::SlidHere => true,
            default => false,
        };
    }
}
