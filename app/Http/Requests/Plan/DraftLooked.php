<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;

/** How one looks at what a draft would overtake. */
final readonly class DraftLooked implements Shape
{
    /** @param  bool  $all  look through all there is for pieces that could be exchanged */
    public function __construct(public bool $all = false)
    {
    }
}
