<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Legs that are made by another procedure than their connector names. */
final readonly class LegMadeBy implements Shape
{
    /**
     * @param  list<string>  $legs
     * @param  string  $procedure  "": as the connector has it
     */
    public function __construct(
        #[Items(200)] public array $legs,
        #[
            Whole(remedy: 'Say which version this was made on, as a whole number. Load the page again.'),
        ]
        public int $version,
        #[Text(max: 255, min: 0)] public string $procedure = '',
    ) {
    }
}
