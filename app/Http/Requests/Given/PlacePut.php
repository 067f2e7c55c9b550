<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Items;
use App\Contract\Shape;
use App\Contract\Text;
use App\Contract\Whole;

/** Where a place stands on the map. */
final readonly class PlacePut implements Shape
{
    /**
     * @param  string  $id  location or junction
     * @param  list<float>  $at  across and down
     * @param  int  $version  of the place as it was seen
     */
    public function __construct(
        #[Text(max: 255)] public string $id,
        #[Items(max: 2, min: 2, remedy: 'Say how far across and how far down.')] public array $at,
        #[Whole(min: 1)] public int $version,
    ) {
    }
}
