<?php

declare(strict_types=1);

namespace App\Http\Requests\Given;

use App\Contract\Items;
use App\Contract\Shape;

/** Which inserts a connector is drawn with. */
final readonly class InsertsAsked implements Shape
{
    /**
     * @param  array<string, string>  $inserts  place → insert
     */
    public function __construct(#[Items(100)] public array $inserts = [])
    {
    }
}
