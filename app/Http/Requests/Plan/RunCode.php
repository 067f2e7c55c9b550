<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** What a run is called. */
final readonly class RunCode implements Shape
{
    /**
     * @param  string  $code  "": the next that is free
     */
    public function __construct(#[Text(max: 60, min: 0)] public string $code = '')
    {
    }
}
