<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** How long somebody found a way to be. */
final readonly class WayMeasured implements Shape
{
    /** @param  int  $version  of the way that they had before them */
    public function __construct(
        #[Text(max: 40, remedy: 'Write how long it is, such as 12.4 m.')] public string $length,
        #[Whole(min: 1)] public int $version,
    ) {
    }
}
