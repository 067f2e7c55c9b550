<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** What the house tests at connectors of a family. */
final readonly class TestingRules implements Shape
{
    /**
     * @param  array<array-key, mixed>  $rules
     */
    public function __construct(
        #[Document('testing')] public array $rules,
        #[Whole(min: 1)] public ?int $version = null,
    ) {
    }
}
