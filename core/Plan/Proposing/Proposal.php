<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\Circuit;
use Sartal\Core\Given\Installation\Fitting;
use Sartal\Core\Given\Installation\Run;

/** A run with everything that it brings along. */
final readonly class Proposal
{
    /**
     * @param  array<int|string, Fitting>  $fittings
     * @param  array<int|string, Circuit>  $circuits
     */
    public function __construct(public Run $run, public array $fittings, public array $circuits)
    {
    }
}
