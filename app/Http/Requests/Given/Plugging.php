<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Shape;
use App\Contract\Text;

/** What is plugged into a port. */
final readonly class Plugging implements Shape
{
    /**
     * @param  ?string  $was  the fitting that was seen there
     * @param  ?string  $fitting  null leaves it free
     */
    public function __construct(
        #[Text(max: 255)] public string $port,
        #[
            Text(max: 255, remedy: 'Say what you saw plugged in there, or null. Load the page again.'),
        ]
        public ?string $was,
        #[Text(max: 255)] public ?string $fitting = null,
    ) {
    }
}
