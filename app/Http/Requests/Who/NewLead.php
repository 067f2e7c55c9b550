<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;

/** Who leads an installation that has lost its lead. */
final readonly class NewLead implements Shape
{
    public function __construct(#[Text(max: 40)] public string $person)
    {
    }
}
