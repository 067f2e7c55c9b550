<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Whole;

/** Which version of a view is taken away. */
final readonly class ViewRemoval implements Shape
{
    public function __construct(#[Whole(min: 1)] public int $version)
    {
    }
}
