<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Document;
use App\Contract\Shape;

/** What labels say, looked at first. */
final readonly class LabelSchemePreview implements Shape
{
    /**
     * @param  array<array-key, mixed>  $scheme
     */
    public function __construct(#[Document('labelScheme')] public array $scheme)
    {
    }
}
