<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;

/** The same for many runs, or new codes in a row. */
final readonly class BulkChange implements Shape
{
    /**
     * @param  list<RunVersion>  $runs
     * @param  array<string, mixed>  $line  field → value, as the schedule has it
     */
    public function __construct(
        #[Items(max: 2000, min: 1)] public array $runs,
        #[Items(40)] public array $line = [],
        public ?Numbering $number = null,
    ) {
    }
}
