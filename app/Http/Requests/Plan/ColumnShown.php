<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Whole;

/** A column, and how wide it is. */
final readonly class ColumnShown implements Shape
{
    /** @param  int  $width  pixels; 0: as wide as there is room */
    public function __construct(public ScheduleColumn $key, #[Whole(max: 2000)] public int $width = 0)
    {
    }
}
