<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Document;
use App\Contract\Shape;
use App\Contract\Whole;

/** House rules. */
final readonly class RulesChange implements Shape
{
    /**
     * @param  array<array-key, mixed>  $rules
     */
    public function __construct(
        #[Document('rules')] public array $rules,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
    ) {
    }
}
