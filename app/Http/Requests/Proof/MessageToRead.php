<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Document;
use App\Contract\Shape;

/** A message of an instrument. */
final readonly class MessageToRead implements Shape
{
    /**
     * @param  array<array-key, mixed>  $message
     */
    public function __construct(#[Document] public array $message)
    {
    }
}
