<?php

declare(strict_types=1);

namespace App\Http\Requests\Later;

use App\Contract\Shape;
use App\Contract\Text;

/** What becomes of overtaken work. */
final readonly class ChosenRemedy implements Shape
{
    public function __construct(
        #[
            Text(
                max: 36,
                pattern: '[0-9a-fA-F]{8}(-[0-9a-fA-F]{4}){3}-[0-9a-fA-F]{12}',
                remedy: 'A record needs an id of its own, a UUID, so that a repeat is recorded once.',
            ),
        ]
        public string $id,
        #[Text(max: 40)] public string $remedy,
    ) {
    }
}
