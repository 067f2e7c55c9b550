<?php

declare(strict_types=1);

namespace App\Planning;

use Sartal\Core\Later\Handover\Standings;
use Sartal\Core\Plan\Checks\Instruments;

/** By what it is said where anything stands: the same for all of an installation, of decisions alone. */
final readonly class StandingRules
{
    public function __construct(public Standings $standings, public Instruments $instruments)
    {
    }
}
