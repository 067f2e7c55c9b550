<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;

/** What a run that is made like another is called, and what its line says otherwise. */
final readonly class RunLike implements Shape
{
    /**
     * @param  array<string, mixed>  $line  field → value, as the schedule has it
     */
    public function __construct(
        #[Text(max: 60, min: 0)] public string $code = '',
        #[Items(40)] public array $line = [],
    ) {
    }
}
