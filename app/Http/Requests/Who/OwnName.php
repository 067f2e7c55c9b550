<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;

/** What somebody is called. */
final readonly class OwnName implements Shape
{
    public function __construct(#[Text(max: 120, remedy: 'Write your name.')] public string $name)
    {
    }
}
