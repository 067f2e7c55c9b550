<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;

/** Where a walk begins. */
final readonly class WalkAsked implements Shape
{
    /** @param  string  $from  location or junction id; "": where most cables wait */
    public function __construct(public string $from = '')
    {
    }
}
