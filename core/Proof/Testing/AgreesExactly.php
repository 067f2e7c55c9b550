<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/** For methods that show words or points: the same, or not. */
trait AgreesExactly
{
    public function agree(array|float|string $expected, array|float|string $read): bool
    {
        return $expected === $read;
    }
}
