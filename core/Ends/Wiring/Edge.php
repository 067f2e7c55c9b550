<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Measure\Withers;

/** Two nodes that conduct to each other. */
final readonly class Edge
{
    use Withers;

    private const DERIVED = [];

    /**
     * @param  float  $ohms  at 20 °C
     * @param  ?string  $twist  the twist group of a conductor, unique in the installation
     * @param  bool  $closed  a switch edge conducts in the state that this says
     * @param  float  $metres  of a conductor
     * @param  bool  $loose  conducts at rest and lets go when it is moved
     */
    public function __construct(
        public string $id,
        public EdgeKind $kind,
        public string $from,
        public string $to,
        public float $ohms = 0.0,
        public ?string $twist = null,
        public HazardDomain $domain = HazardDomain::Signal,
        public bool $closed = true,
        public float $metres = 0.0,
        public bool $loose = false,
    ) {
    }

    public function movedTo(string $to): self
    {
        // Tens of thousands for one diagnosis: a third of it went into copying by reflection.
        return new self(
            $this->id,
            $this->kind,
            $this->from,
            $to,
            $this->ohms,
            $this->twist,
            $this->domain,
            $this->closed,
            $this->metres,
            $this->loose,
        );
    }

    public function operated(bool $closed): self
    {
        return $this->copy(['closed' => $closed]);
    }

    public function loosened(): self
    {
        return $this->copy(['loose' => true]);
    }

    /** The same conductor in a cable so many times as long. */
    public function stretched(float $times): self
    {
        return $this->copy(['ohms' => $this->ohms * $times, 'metres' => $this->metres * $times]);
    }

    public function opposite(string $node): string
    {
        return $node === $this->from ? $this->to : $this->from;
    }
}
