<?php

declare(strict_types=1);

namespace App\Http\Requests\Proof;

use App\Contract\Shape;
use App\Contract\Text;

/** An exercise. */
final readonly class TrainerStart implements Shape
{
    /**
     * @param  string  $run  "": any
     */
    public function __construct(#[Text(max: 255, min: 0)] public string $run = '')
    {
    }
}
