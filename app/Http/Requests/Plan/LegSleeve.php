<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Legs that are sleeved, each by itself, or no longer are. */
final readonly class LegSleeve implements Shape
{
    /**
     * @param  list<string>  $legs
     * @param  string  $sleeve  part; "": whichever goes round it
     */
    public function __construct(
        #[Items(200)] public array $legs,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
        public bool $sleeved = true,
        #[Text(max: 255, min: 0)] public string $sleeve = '',
    ) {
    }
}
