<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;

/** House rules that are looked at first. */
final readonly class RulesPreview implements Shape
{
    /**
     * @param  array<array-key, mixed>  $rules
     */
    public function __construct(#[Document('rules')] public array $rules)
    {
    }
}
