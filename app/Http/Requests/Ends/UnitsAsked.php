<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Shape;

/** In which units. */
final readonly class UnitsAsked implements Shape
{
    public function __construct(public System $units = System::Metric)
    {
    }
}
