<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Items;
use App\Contract\Shape;

/** Where places stand on the map. */
final readonly class MapTidied implements Shape
{
    /** @param  list<PlacePut>  $places */
    public function __construct(
        #[Items(max: 5_000, min: 1, remedy: 'Say which place stands where.')] public array $places,
    ) {
    }
}
