<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;

/** Whether somebody is retired. */
final readonly class Retirement implements Shape
{
    public function __construct(public bool $retired)
    {
    }
}
