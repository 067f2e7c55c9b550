<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** What is looked for. */
final readonly class Sought implements Shape
{
    public function __construct(#[Text(min: 0)] public string $q = '')
    {
    }
}
