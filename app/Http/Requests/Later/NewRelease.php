<?php

declare(strict_types=1);

namespace App\Http\Requests\Later;

use App\Contract\Shape;
use App\Contract\Text;

/** A release of the plan. */
final readonly class NewRelease implements Shape
{
    public function __construct(#[Text(max: 500, min: 0, lines: true)] public string $note = '')
    {
    }
}
