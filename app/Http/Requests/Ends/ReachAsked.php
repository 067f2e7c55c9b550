<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Shape;
use App\Contract\Whole;

/** Which circuits, and how much of them. */
final readonly class ReachAsked implements Shape
{
    /**
     * @param  bool  $brief  some at a time, the least margin first, each figure without how it came about
     * @param  bool  $only  of those: what does not plainly reach
     * @param  int  $from  of those: how many come before
     */
    public function __construct(
        public bool $brief = false,
        public bool $only = false,
        #[Whole(min: 0, max: 1_000_000)] public int $from = 0,
    ) {
    }
}
