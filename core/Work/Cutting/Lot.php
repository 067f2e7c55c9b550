<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;

/** Cuts that come off one piece of stock together: one, or a group. */
final readonly class Lot
{
    /** @param  non-empty-list<CutNeeded>  $needs */
    public function __construct(public array $needs)
    {
    }

    public function length(): Length
    {
        return Length::zero()->plus(...array_map(static fn (CutNeeded $need): Length => $need->length, $this->needs));
    }

    /** Rounded up: what fits in units fits. */
    public function units(int $unit): int
    {
        return intdiv($this->length()->nanometres + $unit - 1, $unit);
    }
}
