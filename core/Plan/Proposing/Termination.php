<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\BareEnd;
use Sartal\Core\Given\Measure\Length;

/** What a planner says about one end: where, which connectors by which plans, and its lengths. */
final readonly class Termination
{
    /**
     * @param  list<string>  $plans  a contact plan for each kind of signal in the cable, in the cable's order
     * @param  Length  $leg  length of the legs, where the end parts into several
     * @param  ?BareEnd  $bare  how it is left where it gets no connector
     * @param  list<Length>  $legs  of single legs in their order; what is beyond is as long as $leg
     */
    public function __construct(
        public string $location,
        public array $plans,
        public Length $tail,
        public Length $slack,
        public Length $preparation,
        public int $spares,
        public Length $leg,
        public ?BareEnd $bare = null,
        public array $legs = [],
    ) {
    }

    /** @param  int  $place  of the leg, from 0 */
    public function legAt(int $place): Length
    {
        return $this->legs[$place] ?? $this->leg;
    }
}
