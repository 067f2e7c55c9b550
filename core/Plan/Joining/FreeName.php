<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

/** A name that nothing has yet: a stem and the first number that is free. */
final class FreeName
{
    /** @param  callable(string): bool  $isTaken */
    public static function after(string $stem, callable $isTaken, int $from = 1): string
    {
        for ($n = $from; $isTaken($stem.$n); $n++);

        return $stem.$n;
    }
}
