<?php

declare(strict_types=1);

namespace App\Contract;

use Attribute;

/** What may be in a field of a whole number. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Whole
{
    public function __construct(public int $min = 0, public int $max = 1_000_000_000, public string $remedy = '')
    {
    }
}
