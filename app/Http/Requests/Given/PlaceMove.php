<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Items;
use App\Contract\Shape;

/** How far a place moves, along which ways. */
final readonly class PlaceMove implements Shape
{
    /**
     * @param  array<string, string>  $by
     */
    public function __construct(
        #[Items(max: 200, min: 1, remedy: 'Say along which way it moves, and how far.')] public array $by,
    ) {
    }
}
