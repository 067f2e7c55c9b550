<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/**
 * A short hash of the facts that work relied on: ids and nanometres, never
 * words, units or an order that nobody chose. From the second edition on it
 * says by which edition it was made: "2.0f3c…"; of the first it is bare.
 */
final class Fingerprint
{
    private const BETWEEN = '.';

    private const DIGITS = 16;

    /** @param  mixed  $facts  scalars, nulls and arrays of them */
    public static function make(mixed $facts, Edition $edition): string
    {
        $hash = substr(hash('xxh128', serialize($facts)), 0, self::DIGITS);

        return $edition === Edition::First ? $hash : $edition->value.self::BETWEEN.$hash;
    }

    /** By which edition it was made; null where this one does not know that edition. */
    public static function edition(string $fingerprint): ?Edition
    {
        $at = strpos($fingerprint, self::BETWEEN);

        return $at === false ? Edition::First : Edition::tryFrom((int) substr($fingerprint, 0, $at));
    }

    /**
     * @param  list<string>  $facts
     * @return list<string> in an order of its own
     */
    public static function sorted(array $facts): array
    {
        sort($facts, SORT_STRING);

        return $facts;
    }
}
