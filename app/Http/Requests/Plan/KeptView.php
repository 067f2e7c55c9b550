<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** A view as somebody keeps it under a name. */
final readonly class KeptView implements Shape
{
    /** @param  int  $version  on which this was made; 0: it is new */
    public function __construct(
        #[Text(max: 60, remedy: 'Give the view a name of at most 60 characters.')] public string $name,
        public ViewShows $shows,
        public bool $shared = false,
        #[Whole] public int $version = 0,
    ) {
    }
}
