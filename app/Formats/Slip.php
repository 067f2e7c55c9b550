<?php

declare(strict_types=1);

namespace App\Formats;

/** Something wrong in what a person entered: the field, the value, and the remedy. */
final readonly class Slip
{
    public function __construct(public string $field, public string $value, public string $remedy)
    {
    }
}
