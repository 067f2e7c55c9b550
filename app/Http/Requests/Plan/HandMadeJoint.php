<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** One joint made otherwise than the plans say. */
final readonly class HandMadeJoint implements Shape
{
    /**
     * @param  bool  $back  the plans decide again
     * @param  string  $to  a contact; "": nowhere
     */
    public function __construct(
        #[Text(max: 255)] public string $conductor,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
        public bool $back = false,
        #[Text(max: 255, min: 0)] public string $to = '',
        #[Text(max: 300, min: 0)] public string $reason = '',
    ) {
    }
}
