<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Whole;

/** What changes in a line of the schedule. */
final readonly class RunChange implements Shape
{
    /**
     * @param  array<string, mixed>  $line  field → value, as the schedule has it
     */
    public function __construct(
        #[Items(40)] public array $line,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
    ) {
    }
}
