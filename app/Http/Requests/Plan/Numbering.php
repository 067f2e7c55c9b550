<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** New codes in a row. */
final readonly class Numbering implements Shape
{
    public function __construct(
        #[
            Text(max: 60, remedy: 'Give a prefix, a first number of nothing or more, and a step of one or more.'),
        ]
        public string $prefix,
        #[Whole(max: 9_999_999)] public int $from = 0,
        #[Whole(min: 1, max: 10_000)] public int $step = 1,
    ) {
    }
}
