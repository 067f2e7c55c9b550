<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Schools\School;

/** Another answer than the house's, for a family of cables or for a loom. */
final readonly class Departure
{
    /** @param  string  $id  of the loom, or the family's name */
    public function __construct(public DepartureOf $of, public string $id, public School $choice)
    {
    }

    public function isFor(string $family, string $loom): bool
    {
        return $this->id === ($this->of === DepartureOf::Loom ? $loom : $family) && $this->id !== '';
    }
}
