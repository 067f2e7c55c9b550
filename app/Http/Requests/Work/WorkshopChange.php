<?php

declare(strict_types=1);

namespace App\Http\Requests\Work;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** Benches, hours and tools that are shared. */
final readonly class WorkshopChange implements Shape
{
    /**
     * @param  array<array-key, mixed>  $workshop
     */
    public function __construct(
        #[Document('workshop')] public array $workshop,
        #[Whole(min: 1)] public ?int $version = null,
    ) {
    }
}
