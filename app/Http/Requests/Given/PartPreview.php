<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;

/** A part that is looked at first. */
final readonly class PartPreview implements Shape
{
    /**
     * @param  array<array-key, mixed>  $part
     */
    public function __construct(#[Document] public array $part)
    {
    }
}
