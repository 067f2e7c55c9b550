<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;

/** Whether an installation is archived. */
final readonly class Archiving implements Shape
{
    public function __construct(public bool $archived)
    {
    }
}
