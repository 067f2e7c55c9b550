<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** A run as it was seen. */
final readonly class RunVersion implements Shape
{
    public function __construct(#[Text(max: 255)] public string $id, #[Whole(min: 1)] public int $version)
    {
    }
}
