<?php

declare(strict_types=1);

namespace App\Telling;

/** Names of many things in one line. */
final class Some
{
    private const NAMED = 3;

    /** @param  list<string>  $names */
    public static function of(array $names): string
    {
        $more = count($names) - self::NAMED;

        return $more < 2
            ? implode(', ', $names)
            : sprintf('%s and %d more', implode(', ', array_slice($names, 0, self::NAMED)), $more);
    }
}
