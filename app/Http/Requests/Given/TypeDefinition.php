<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** A type of the installation’s own. */
final readonly class TypeDefinition implements Shape
{
    /**
     * @param  array<array-key, mixed>  $definition
     */
    public function __construct(#[Document] public array $definition, #[Whole(min: 1)] public ?int $version = null)
    {
    }
}
