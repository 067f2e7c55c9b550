<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/** A rack at a location. Unit 1 is at the bottom; a unit is 44.45 mm high (IEC 60297-3-100). */
final readonly class Rack
{
    private const UNIT_NM = 44_450_000;

    /**
     * @param  int  $units  that it is high
     * @param  Length  $across  from the way's end to the side that cables go up and down on
     */
    public function __construct(public int $units, public RackEntry $entry, public Length $across)
    {
    }

    /** From where cables come in to the height of a unit. */
    public function climb(int $unit): Length
    {
        $units = $this->entry === RackEntry::Bottom ? $unit : $this->units - $unit;

        return Length::nanometres(max(0, $units) * self::UNIT_NM);
    }
}
