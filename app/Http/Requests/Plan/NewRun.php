<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Whole;

/** A line of the schedule. */
final readonly class NewRun implements Shape
{
    /**
     * @param  array<string, mixed>  $line  field → value, as the schedule has it
     * @param  int  $many  alike, each with the next code that is free
     */
    public function __construct(#[Items(40)] public array $line, #[Whole(min: 1, max: 200)] public int $many = 1)
    {
    }
}
