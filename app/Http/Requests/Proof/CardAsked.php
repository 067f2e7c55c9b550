<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Shape;
use App\Contract\Text;

/** Whose lines a certifier’s card has. */
final readonly class CardAsked implements Shape
{
    /**
     * @param  string  $runs  parted by commas
     */
    public function __construct(#[Text(max: 20000, min: 0)] public string $runs = '')
    {
    }
}
