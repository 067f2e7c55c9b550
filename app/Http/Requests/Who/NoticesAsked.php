<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Whole;

/** Which of one's notices are looked at. */
final readonly class NoticesAsked implements Shape
{
    /** @param  int  $before  the last one that was shown; 0: from the newest on */
    public function __construct(#[Whole] public int $before = 0)
    {
    }
}
