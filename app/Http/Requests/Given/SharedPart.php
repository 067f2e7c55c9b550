<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** A part that runs share: a place, a way, a loom, a reel, an instrument. */
final readonly class SharedPart implements Shape
{
    /**
     * @param  array<array-key, mixed>  $part
     */
    public function __construct(#[Document] public array $part, #[Whole(min: 1)] public ?int $version = null)
    {
    }
}
