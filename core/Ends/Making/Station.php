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
    ) {
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
