<?php

declare(strict_types=1);

namespace App\Planning;

/** What the shipped families of connectors are called; a house's own is called as the house wrote it. */
final class FamilyNames
{
    /** @var ?array<string, string> by id */
    private static ?array $read = null;

    public static function of(string $family): string
    {
        return (self::$read ??= self::read())[$family] ?? $family;
    }

    /** @return array<string, string> */
    private static function read(): array
    {
        /** @var array<string, string> */
        return json_decode(
            (string) file_get_contents(dirname(__DIR__, 2).'/catalogue/families.json'),
            true,
            flags: JSON_THROW_ON_ERROR,
        );
    }
}
