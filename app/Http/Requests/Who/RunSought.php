<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;

/** Where a printed code may belong. */
final readonly class RunSought implements Shape
{
    public function __construct(#[Text(max: 255, min: 0)] public string $run = '')
    {
    }
}
