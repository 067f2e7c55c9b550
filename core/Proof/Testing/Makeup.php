<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/**
 * What testing needs to know of an assembly beyond who touches whom: colours, places in a twist, what lies beside what.
 */
final readonly class Makeup
{
    /**
     * @param  array<int|string, string>  $colours  joint id → colour of its core and of what it lies in
     * @param  list<array{string, string}>  $apart  points at one end that insulation must keep apart
     * @param  list<array{core: string, screen: string, nanofaradsPerMetre: float}>  $plates  conductors with a screen
     *     round them
     * @param  array<int|string, array{string, string}>  $ends  conductor → the nodes it leads between
     * @param  array<int|string, int>  $seats  conductor of a star-quad → its place round the quad, 0 to 3
     * @param  array<int|string, true>  $bare  conductors without insulation of their own
     * @param  array<int|string, string>  $screens  pair id → contact of its screen
     * @param  array<int|string, float>  $nanosecondsPerMetre  pair id → delay of its cable, where that is known
     * @param  list<string>  $earths  probes on protective earth
     * @param  bool  $mains  some of it carries mains
     * @param  bool  $category  its cables are four-pair cable of a category
     * @param  array<int|string, true>  $live  points on either side that belong to mains: no lamp is put to them
     */
    public function __construct(
        public array $colours = [],
        public array $apart = [],
        public array $plates = [],
        public array $ends = [],
        public array $seats = [],
        public array $bare = [],
        public array $screens = [],
        public array $nanosecondsPerMetre = [],
        public array $earths = [],
        public bool $mains = false,
        public bool $category = false,
        public array $live = [],
    ) {
    }

    /** With nothing kept apart as mains. */
    public function undivided(): self
    {
        return new self(
            $this->colours,
            $this->apart,
            $this->plates,
            $this->ends,
            $this->seats,
            $this->bare,
            $this->screens,
            $this->nanosecondsPerMetre,
            $this->earths,
            $this->mains,
            $this->category,
        );
    }
}
