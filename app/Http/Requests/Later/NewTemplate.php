<?php

declare(strict_types=1);

namespace App\Http\Requests\Later;

use App\Contract\Shape;
use App\Contract\Text;

/** The next installation, begun from this one. */
final readonly class NewTemplate implements Shape
{
    /**
     * @param  string  $key  what its file calls it
     */
    public function __construct(
        #[Text(max: 120, remedy: 'Write what it is called.')] public string $name,
        #[
            Text(
                max: 60,
                pattern: '[a-z0-9][a-z0-9-]*',
                remedy: 'Use small letters, digits and hyphens, such as "lock-gallery".',
            ),
        ]
        public string $key,
        public bool $building = false,
        public bool $runs = false,
        public bool $shelf = false,
        public bool $crew = true,
        public bool $rules = true,
    ) {
    }
}
