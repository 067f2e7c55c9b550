<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Length;

/** Where the cable leaves a connector's hood, on the wiring side. */
final readonly class HoodExit
{
    /**
     * @param  string  $name  "rear", "left side", …
     * @param  Point  $at  mm from the centre, seen from the wiring side
     * @param  Length  $depth  from the exit straight to the plane of the terminals
     */
    public function __construct(public string $name, public Point $at, public Length $depth)
    {
    }
}
