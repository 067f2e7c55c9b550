<?php

declare(strict_types=1);

namespace App\Http\Requests\Who;

use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** What an organisation is called. */
final readonly class OrganisationName implements Shape
{
    public function __construct(
        #[Text(max: 120, remedy: 'Write what your organisation is called.')] public string $name,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
    ) {
    }
}
