<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;
use App\Models\Office;

/** Somebody of an organisation, as they are from now on. */
final readonly class ColleagueChange implements Shape
{
    /**
     * @param  list<Office>  $offices
     */
    public function __construct(
        #[Text(max: 120, remedy: 'Write the person’s name.')] public string $name,
        #[Items(max: 2)] public array $offices,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
    ) {
    }
}
