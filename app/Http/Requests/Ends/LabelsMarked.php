<?php

declare(strict_types=1);

namespace App\Http\Requests\Ends;

use App\Contract\Items;
use App\Contract\Shape;

/** Labels that came out of the printer. */
final readonly class LabelsMarked implements Shape
{
    /**
     * @param  list<string>  $ids
     */
    public function __construct(
        #[Items(max: 20_000, min: 1, remedy: 'Choose the labels that came out.')] public array $ids,
    ) {
    }
}
