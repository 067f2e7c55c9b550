<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;

/** A line of the schedule. */
final readonly class NewRun implements Shape
{
    /**
     * @param  array<string, mixed>  $line  field → value, as the schedule has it
     */
    public function __construct(#[Items(40)] public array $line)
    {
    }
}
