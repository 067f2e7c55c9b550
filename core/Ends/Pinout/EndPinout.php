<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Pinout;

use Sartal\Core\Ends\Wiring\Joint;
use Sartal\Core\Given\Findings\Finding;

/** How one end of a run is wired. Every conductor is in one of the two lists. */
final readonly class EndPinout
{
    /**
     * @param  list<Joint>  $joints
     * @param  list<Unused>  $unused
     * @param  list<Finding>  $findings
     */
    public function __construct(public array $joints, public array $unused, public array $findings)
    {
    }
}
