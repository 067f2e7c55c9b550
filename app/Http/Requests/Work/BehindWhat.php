<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

/** Of which figure of progress the runs are asked for. */
enum BehindWhat: string
{
    /** on which somebody recorded a stage */
    case Hands = 'hands';

    /** that failed their first test at a stage */
    case FirstTests = 'first-tests';
}
