<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Items;
use App\Contract\Shape;

/** Labels for the roll printer. */
final readonly class LabelsToRoll implements Shape
{
    /**
     * @param  list<string>  $ids
     */
    public function __construct(
        #[
            Items(max: 2000, min: 1, remedy: 'Choose the labels to print; a printer takes 2,000 at a time.'),
        ]
        public array $ids,
    ) {
    }
}
