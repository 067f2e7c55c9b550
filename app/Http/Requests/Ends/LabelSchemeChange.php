<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** What labels say. */
final readonly class LabelSchemeChange implements Shape
{
    /**
     * @param  array<array-key, mixed>  $scheme
     */
    public function __construct(
        #[Document('labelScheme')] public array $scheme,
        #[Whole(min: 1)] public ?int $version = null,
    ) {
    }
}
