<?php

declare(strict_types=1);

namespace Sartal\Core\Preparing;

use Sartal\Core\Measure\Worked;
use Sartal\Core\Wiring\Joint;

/** A core on its way to a terminal: how long it is left from the end of the sheath. */
final readonly class CoreCut
{
    public function __construct(public Joint $joint, public Worked $length)
    {
    }
}
