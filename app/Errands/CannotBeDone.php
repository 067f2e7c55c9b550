<?php

declare(strict_types=1);

namespace App\Errands;

use RuntimeException;

/** An errand does not come to its end, for a reason that whoever asked for it can do something about. */
final class CannotBeDone extends RuntimeException
{
    public static function because(string $words): self
    {
        return new self($words);
    }
}
