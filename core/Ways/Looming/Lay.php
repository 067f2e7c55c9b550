<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Measure\Term;
use Sartal\Core\Given\Measure\Worked;
use Sartal\Core\Ways\Routing\Route;

/** How one run lies in the building: what its lengths follow from. */
final readonly class Lay
{
    /**
     * @param  list<Term>  $extra  of its loom's breakouts and of panels at its ends
     * @param  array<int|string, array<int|string, Worked>>  $tails  side → leg → its tail behind a panel
     */
    public function __construct(public Route $route, public array $extra = [], public array $tails = [])
    {
    }
}
