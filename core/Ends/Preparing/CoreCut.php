<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Measure\Worked;

/** A core on its way to a terminal: how long it is left from the end of the sheath. */
final readonly class CoreCut
{
    public function __construct(public Joint $joint, public Worked $length)
    {
    }
}
