<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Shape;
use Sartal\Core\Given\Measure\Units;

/** In which units. */
final readonly class UnitsAsked implements Shape
{
    public function __construct(public Units $units = Units::Metric)
    {
    }
}
