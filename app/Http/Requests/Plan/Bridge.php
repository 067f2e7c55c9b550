<?php

declare(strict_types=1);

namespace App\Http\Requests\Plan;

use App\Contract\Shape;
use App\Contract\Text;

/** Between two places that wires come to: "fitting/address" or "splice:id". */
final readonly class Bridge implements Shape
{
    public function __construct(#[Text(max: 255)] public string $from, #[Text(max: 255)] public string $to)
    {
    }
}
