<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;
use App\Contract\Whole;

/** Which edition of the library is replaced. */
final readonly class LibraryEdition implements Shape
{
    public function __construct(#[Whole(min: 1)] public ?int $edition = null)
    {
    }
}
