<?php

declare(strict_types=1);

namespace App\Planning;

/** Texts as one value of a statement: a text[] of the database. */
final class TextArray
{
    /** @param  list<string>  $values */
    public static function of(array $values): string
    {
        return '{'.implode(',', array_map(
            static fn (string $value): string => '"'.addcslashes($value, '"\\').'"',
            $values,
        )).'}';
    }
}
