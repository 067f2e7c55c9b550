<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Shape;
use App\Contract\Text;

/** Where somebody is in a job. */
final readonly class PlaceTaken implements Shape
{
    public function __construct(#[Text(max: 255, min: 0)] public string $step = '')
    {
    }
}
