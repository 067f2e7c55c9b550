<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;

/** A column that rows are put in order by. */
final readonly class SortedBy implements Shape
{
    /** @param  bool  $down  from the last to the first */
    public function __construct(public ScheduleColumn $key, public bool $down = false)
    {
    }
}
