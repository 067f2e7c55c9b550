<?php

declare(strict_types=1);

namespace App\Contract;

use Attribute;

/** How many a list, or a table by names, may have. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Items
{
    public function __construct(public int $max, public int $min = 0, public string $remedy = '')
    {
    }
}
