<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** Prices, rates and the shelf. */
final readonly class EconomyChange implements Shape
{
    /**
     * @param  array<array-key, mixed>  $economy
     */
    public function __construct(
        #[Document('economy')] public array $economy,
        #[Whole(min: 1)] public ?int $version = null,
    ) {
    }
}
