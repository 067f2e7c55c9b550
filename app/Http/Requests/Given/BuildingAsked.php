<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;

/** How much of the building. */
final readonly class BuildingAsked implements Shape
{
    /** @param  bool  $brief  without fittings: whoever lays out a panel asks for those of one place */
    public function __construct(public bool $brief = false)
    {
    }
}
