<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;

/** A connector that is not there yet. */
final readonly class BroughtFitting implements Shape
{
    /**
     * @param  string  $connector  connector type; "": that of the contact plan
     * @param  string  $location  "": where the end is
     * @param  array<string, string>  $inserts  bay → connector type
     */
    public function __construct(
        #[Text(max: 255, min: 0)] public string $connector = '',
        #[Text(max: 120, min: 0)] public string $label = '',
        #[Text(max: 255, min: 0)] public string $location = '',
        #[Items(100)] public array $inserts = [],
    ) {
    }
}
