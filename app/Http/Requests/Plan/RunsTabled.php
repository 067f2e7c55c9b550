<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use Sartal\Core\Given\Measure\Units;

/** Which runs are copied out. */
final readonly class RunsTabled implements Shape
{
    /** @param  list<string>  $runs  in the order in which they are wanted */
    public function __construct(
        #[Items(max: 400, min: 1, remedy: 'Mark 1 to 400 runs. All of them are a CSV, under In and out.')]
        public array $runs,
        public Units $units = Units::Metric,
    ) {
    }
}
