<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;

/** A line of the schedule that is looked at first. */
final readonly class RunProposal implements Shape
{
    /**
     * @param  array<string, mixed>  $line  field → value, as the schedule has it
     * @param  string  $id  the run that it would change
     */
    public function __construct(
        #[Items(40)] public array $line = [],
        #[Text(max: 255, min: 0)] public string $id = '',
    ) {
    }
}
