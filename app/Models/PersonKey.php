<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Support\Str;

/** What records call a person by: it says nothing, it never changes, and nobody can guess it. */
final class PersonKey
{
    private const SHAPE = '~^[0-7][0-9a-hjkmnp-tv-z]{25}$~';

    public static function mint(): string
    {
        return Str::lower((string) Str::ulid());
    }

    /** Whether it may have been minted, here or in another database: a file's own ids are anything. */
    public static function isOne(string $key): bool
    {
        return preg_match(self::SHAPE, $key) === 1;
    }
}
