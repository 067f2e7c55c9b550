<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

use OutOfBoundsException;

/** Something was asked for that nobody has decided. Whoever asks so has seen it before: it is a defect. */
final class NotDecided extends OutOfBoundsException
{
    public static function of(string $what, string $id): self
    {
        return new self(sprintf('There is no %s "%s".', $what, $id));
    }
}
