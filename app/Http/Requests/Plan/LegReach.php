<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Whether a leg is measured on the equipment before it is cut, and what was measured there. */
final readonly class LegReach implements Shape
{
    /** @param  string  $measured  a length from where it leaves the sheath; "": nobody has yet */
    public function __construct(
        #[Text(max: 255)] public string $leg,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
        public bool $onEquipment = true,
        #[Text(max: 40, min: 0)] public string $measured = '',
    ) {
    }
}
