<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Length;

/** The outside diameters that something passes or grips. */
final readonly class DiameterRange
{
    public function __construct(public Length $least, public Length $most)
    {
    }

    public function takes(Length $diameter): bool
    {
        return $diameter->compare($this->least) >= 0 && $diameter->compare($this->most) <= 0;
    }

    public function text(): string
    {
        return $this->least->canonical().' to '.$this->most->canonical();
    }
}
