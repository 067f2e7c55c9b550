<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;
use App\Contract\Whole;

/** Something that is removed as it was seen. */
final readonly class OnVersion implements Shape
{
    public function __construct(#[Whole(min: 1)] public ?int $version = null)
    {
    }
}
