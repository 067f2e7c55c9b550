<?php

declare(strict_types=1);

namespace App\Documents\Drawing;

use Sartal\Core\Given\Measure\Units;

/** How a connector is held: which side faces the technician, and turned by how much. */
final readonly class View
{
    /** @param  int  $turn  degrees anticlockwise */
    public function __construct(public bool $wiring = true, public int $turn = 0, public Units $units = Units::Metric)
    {
    }

    public function name(): string
    {
        return ($this->wiring ? 'wiring side' : 'mating face').
            ($this->turn === 0 ? '' : ', turned '.$this->turn.'°');
    }

    /** @return array{float, float} turned, y down as on paper */
    public function place(float $x, float $y): array
    {
        $angle = deg2rad($this->turn);

        return [$x * cos($angle) - $y * sin($angle), -($x * sin($angle) + $y * cos($angle))];
    }
}
