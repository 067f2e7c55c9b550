<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** A run or a connector as it was seen. */
final readonly class Seen implements Shape
{
    public function __construct(#[Text(max: 255)] public string $id, #[Whole(min: 1)] public int $version)
    {
    }
}
