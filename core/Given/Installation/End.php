<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Withers;
use Sartal\Core\Given\Schools\School;

/** One end of a run: where it is, what it needs in length, and the legs it parts into. */
final readonly class End
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  Length  $tail  from where the way leaves off to the fitting
     * @param  Length  $slack  service slack left at this end
     * @param  Length  $preparation  used up each time the end is made
     * @param  int  $spares  further times that the end can be made again
     * @param  list<Leg>  $legs
     * @param  list<HandJoint>  $handJoints
     * @param  array<int|string, string>  $unused  conductor or element path → reason
     * @param  ?BareEnd  $bare  how it is left where no leg of it lands anywhere; null: nobody said
     * @param  list<School>  $own  answers that hold for this end and not the house's
     */
    public function __construct(
        public string $location,
        public Length $tail,
        public Length $slack,
        public Length $preparation,
        public int $spares,
        public array $legs,
        public array $handJoints = [],
        public array $unused = [],
        public ?BareEnd $bare = null,
        public array $own = [],
    ) {
    }

    /** Whether anything of it lands in a connector. */
    public function isFitted(): bool
    {
        return self::land($this->legs);
    }

    /** @param  list<Leg>  $legs */
    public static function land(array $legs): bool
    {
        foreach ($legs as $leg) {
            if ($leg->landing !== null) {
                return true;
            }
        }

        return false;
    }

    /** @param  list<Leg>  $legs */
    public function withLegs(array $legs): self
    {
        return $this->copy(['legs' => $legs, 'bare' => self::land($legs) ? null : $this->bare]);
    }

    /** @param  list<School>  $own  answers that hold for this end and not the house's */
    public function answering(array $own): self
    {
        return $this->copy(['own' => $own]);
    }

    /**
     * With this said by hand of its conductors, and nothing else.
     *
     * @param  list<HandJoint>  $handJoints
     * @param  array<int|string, string>  $unused  conductor or element path → reason
     */
    public function saying(array $handJoints, array $unused): self
    {
        return $this->copy(['handJoints' => $handJoints, 'unused' => $unused]);
    }

    /** One conductor joined otherwise than the plans have it; null: as the plans have it. */
    public function joinedByHand(string $conductor, ?HandJoint $joint): self
    {
        $others = array_values(
            array_filter($this->handJoints, static fn (HandJoint $each): bool => $each->conductor !== $conductor),
        );

        return $this->copy(['handJoints' => $joint === null ? $others : [...$others, $joint]]);
    }

    /**
     * With another's place and lengths, and these legs; what is joined by hand or left unused stays.
     *
     * @param  list<Leg>  $legs
     */
    public function lyingAs(self $other, array $legs): self
    {
        return $this->copy([
            'location' => $other->location,
            'tail' => $other->tail,
            'slack' => $other->slack,
            'preparation' => $other->preparation,
            'spares' => $other->spares,
            'bare' => self::land($legs) ? null : $other->bare,
            'legs' => $legs,
        ]);
    }
}
