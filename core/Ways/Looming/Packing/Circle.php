<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming\Packing;

/** A circle in the plane: centre and radius, in mm. */
final readonly class Circle
{
    public function __construct(public float $x, public float $y, public float $r)
    {
    }

    public function moved(float $x, float $y): self
    {
        return new self($this->x + $x, $this->y + $y, $this->r);
    }

    /** Whether the other lies in it, but for what rounding does. */
    public function holds(self $other): bool
    {
        return hypot($this->x - $other->x, $this->y - $other->y) + $other->r <=
            $this->r + max($this->r, $other->r, 1.0) * 1e-9;
    }
}
