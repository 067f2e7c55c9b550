<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Whole;

/** A run that is removed as it was seen. */
final readonly class RunRemoval implements Shape
{
    public function __construct(
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
    ) {
    }
}
