<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Length;

/** A part or consumable that can be bought. What does not apply to its kind is left out. */
final readonly class Part
{
    /**
     * @param  ?DiameterRange  $grips  outside diameters that it goes round or holds; of shrink: recovered to supplied
     * @param  ?Length  $cutTab  a tab of it is cut away for anything thicker
     * @param  list<string>  $jackets  jackets that it is made for; empty: any
     * @param  ?GaugeRange  $gauge  conductors that it takes
     * @param  ?Gender  $gender  of a contact
     * @param  string  $tool  with die or setting
     * @param  int  $crimps  made on it
     * @param  bool  $split  opens along its side or is wrapped round: can go on at any time
     * @param  int  $pack  pieces in a pack; of solder, joints
     * @param  bool  $lined  of shrink: with adhesive, so that it seals
     * @param  ?Length  $outer  over it, where something else may have to pass it; null: not stated
     * @param  list<string>  $ends  connector type ids of a bought lead
     * @param  bool  $reopens  of a tie: it is opened and closed again, and stays with its cable
     * @param  bool  $oneWay  a lead that works in one direction only
     * @param  int  $tails  of a breakout boot: legs that leave it; 0 where it is not stated
     * @param  int  $wires  of a ferrule: conductors that it is rated for together, each within its gauge
     */
    public function __construct(
        public string $id,
        public string $name,
        public PartKind $kind,
        public string $colour = '',
        public ?DiameterRange $grips = null,
        public ?Length $cutTab = null,
        public array $jackets = [],
        public ?GaugeRange $gauge = null,
        public ?Gender $gender = null,
        public string $tool = '',
        public int $crimps = 0,
        public bool $split = false,
        public int $pack = 1,
        public ?Length $length = null,
        public array $ends = [],
        public bool $oneWay = false,
        public bool $lined = false,
        public ?Length $outer = null,
        public ?LabelFace $face = null,
        public bool $reopens = false,
        public int $tails = 0,
        public int $wires = 1,
    ) {
    }

    /** The largest thing that it can be slid over; null where nothing is known of its inside. */
    public function bore(): ?Length
    {
        return $this->grips?->most;
    }

    public function fitsOver(Length $diameter, string $jacket): bool
    {
        return $this->grips !== null &&
            $this->grips->takes($diameter) &&
            ($this->jackets === [] || in_array($jacket, $this->jackets, true));
    }
}
