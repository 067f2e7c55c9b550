<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Dressing;

use Sartal\Core\Given\Catalogue\Part;
use Sartal\Core\Given\Measure\Worked;

/** A length cut off a part that is sold by length, and what for. */
final readonly class SleevePiece
{
    public function __construct(public Part $part, public Worked $cut, public string $for)
    {
    }
}
