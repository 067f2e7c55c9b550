<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Why something was decided. Without a note and a photo nothing is said of it any more. */
final readonly class WhySaid implements Shape
{
    /**
     * @param  int  $version  of what was said before; 0: nothing was
     * @param  list<string>  $pictures  names of photos that stay
     */
    public function __construct(
        #[Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.')]
        public int $version,
        #[Text(max: 4000, min: 0, lines: true)] public string $note = '',
        #[Items(max: 12)] public array $pictures = [],
    ) {
    }
}
