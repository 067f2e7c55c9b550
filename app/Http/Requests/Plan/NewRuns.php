<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;

/** Several lines of the schedule, which come in together or not at all. */
final readonly class NewRuns implements Shape
{
    /** @param  list<NewRun>  $runs */
    public function __construct(#[Items(max: 200, min: 1)] public array $runs)
    {
    }
}
