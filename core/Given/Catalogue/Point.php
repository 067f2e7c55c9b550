<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** A place on a connector's face in mm from its centre: x to the right, y up, as the view is looked at. */
final readonly class Point
{
    public function __construct(public float $x, public float $y)
    {
    }

    public function plus(self $offset): self
    {
        return new self($this->x + $offset->x, $this->y + $offset->y);
    }

    /** As seen from behind: left and right change places. */
    public function mirrored(): self
    {
        return new self($this->x === 0.0 ? 0.0 : -$this->x, $this->y);
    }
}
