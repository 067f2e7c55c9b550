<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/**
 * The numbers printed along a jacket: what they count, whether they rise as the cable comes off, and the one at its
 * free end.
 */
final readonly class JacketMarks
{
    public function __construct(public MarkUnit $unit, public bool $rising, public float $start)
    {
    }

    /** The mark at a distance from the free end, as it is printed there. */
    public function at(Length $fromFreeEnd): float
    {
        $count = $fromFreeEnd->nanometres / $this->unit->nanometres();

        return $this->rising ? $this->start + $count : $this->start - $count;
    }

    /** Between two marks. */
    public function between(float $one, float $other): Length
    {
        return Length::nanometres((int) round(abs($other - $one) * $this->unit->nanometres()));
    }
}
