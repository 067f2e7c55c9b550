<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

use Sartal\Core\Given\Catalogue\HazardDomain;

/** Two nodes that conduct to each other. */
final readonly class Edge
{
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

    public function movedFrom(string $from): self
    {
        return new self(
            $this->id,
            $this->kind,
            $from,
            $this->to,
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
        return new self(
            $this->id,
            $this->kind,
            $this->from,
            $this->to,
            $this->ohms,
            $this->twist,
            $this->domain,
            $closed,
            $this->metres,
            $this->loose,
        );
    }

    public function loosened(): self
    {
        return new self(
            $this->id,
            $this->kind,
            $this->from,
            $this->to,
            $this->ohms,
            $this->twist,
            $this->domain,
            $this->closed,
            $this->metres,
            true,
        );
    }

    /** The same conductor in a cable so many times as long. */
    public function stretched(float $times): self
    {
        return new self(
            $this->id,
            $this->kind,
            $this->from,
            $this->to,
            $this->ohms * $times,
            $this->twist,
            $this->domain,
            $this->closed,
            $this->metres * $times,
            $this->loose,
        );
    }

    public function opposite(string $node): string
    {
        return $node === $this->from ? $this->to : $this->from;
    }
}
