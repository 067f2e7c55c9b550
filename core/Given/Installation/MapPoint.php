<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/**
 * Where something is drawn on the schematic map: x to the right, y down, in squares of the map. Nothing is measured by
 * it.
 */
final readonly class MapPoint
{
    public function __construct(public float $x, public float $y)
    {
    }
}
