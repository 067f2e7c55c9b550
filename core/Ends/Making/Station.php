<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Ends\Workpiece\Piece;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Schools\School;

/** What a workpiece is made for, and stands before: terminals and how they are got at, parts, the cable's other end. */
final readonly class Station
{
    /**
     * @param  array<int|string, list<string>>  $covers  terminal → terminals that nobody gets at once it is joined
     * @param  array<int|string, string>  $goes  key of a conductor → its terminal
     * @param  list<string>  $screens  keys of those that are a screen's
     * @param  array<int|string, Arrival>  $parts  by name
     * @param  bool  $farOpen  the cable's other end is open: what is slid on may come over it
     * @param  list<string>  $row  elements as the connector takes them, side by side; nothing where each has its own
     *     terminal
     * @param  bool  $throughLugs  terminals are open lugs: wire goes through, and none that was filled takes it
     * @param  array<int|string, Length>  $reaches  terminal → how far it is from where the sheath ends in the connector
     * @param  array<int|string, list<string>>  $over  part that is put over what is joined → terminals under it
     * @param  array<int|string, int>  $crimps  part → how many crimps its maker wants of it
     * @param  Centre  $centre  of coax: what takes its centre
     * @param  list<string>  $earths  keys of conductors that are protective earth's
     * @param  array<int|string, int>  $takes  terminal → how many conductors its maker lets into it; without it, one
     * @param  list<string>  $turns  parts that have to be turned for the side where the cable leaves
     * @param  list<string>  $snags  parts in which bare and tinned ends catch
     * @param  list<string>  $sleeved  keys of bare conductors that have to be in a sleeve
     * @param  list<string>  $shrinks  parts that have to be shrunk
     * @param  bool  $farMade  the cable's other end is finished, and can be plugged into this one
     * @param  list<string>  $under  parts that lie under what is put on after them, and are in nobody's way
     * @param  list<string>  $order  terminals as they are joined one after the other; nothing where nobody said
     * @param  array<class-string<School>, School>  $answers  of the house, where they are not the usual ones
     * @param  bool  $onEquipment  how far it has to reach is measured on the equipment before it is cut
     * @param  ?Length  $measured  what was measured there, from where it leaves the sheath; null: not yet
     */
    public function __construct(
        public array $covers = [],
        public array $goes = [],
        public array $screens = [],
        public array $parts = [],
        public bool $farOpen = false,
        public array $row = [],
        public bool $throughLugs = false,
        public array $reaches = [],
        public array $over = [],
        public array $crimps = [],
        public Centre $centre = Centre::None,
        public array $earths = [],
        public array $takes = [],
        public array $turns = [],
        public array $snags = [],
        public array $sleeved = [],
        public array $shrinks = [],
        public bool $farMade = false,
        public array $under = [],
        public array $order = [],
        public array $answers = [],
        public bool $onEquipment = false,
        public ?Length $measured = null,
    ) {
    }

    public function terminalOf(Piece $piece): ?string
    {
        return $this->goes[$piece->key()] ?? null;
    }

    /** @return list<string> terminals, as they are first come to */
    public function terminals(): array
    {
        return array_values(array_unique(array_values($this->goes)));
    }

    /** @param  class-string<School>  $question */
    public function answer(string $question): School
    {
        return $this->answers[$question] ?? $question::usual();
    }

    /** Along the cable, not from the front or the side. */
    public function isSlid(string $part): bool
    {
        return in_array($this->parts[$part] ?? null, [Arrival::Slid, Arrival::SlidHere], true);
    }

    /** A part that has to lie on the cable before anything is joined. */
    public function isOnlyByNow(string $part): bool
    {
        return match ($this->parts[$part] ?? Arrival::Front) {
            Arrival::Slid => ! $this->farOpen,
            Arrival::SlidHere => true,
            default => false,
        };
    }
}
