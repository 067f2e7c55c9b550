<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Preparing;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Measure\Worked;

/** A core on its way to a terminal. */
final readonly class CoreCut
{
    /** @param  ?Worked  $reach  how far its terminal is from where the sheath ends, where a hood says it */
    public function __construct(public Joint $joint, public ?Worked $reach = null)
    {
    }
}
