<?php

declare(strict_types=1);

namespace App\Formats\Csv;

/** Keeps a spreadsheet from taking text for a formula: such cells get an apostrophe, and lose it on the way back. */
final class CsvCell
{
    private const FORMULA = '=+-@';

    public static function guarded(string $text): string
    {
        return self::risky($text) || str_starts_with($text, "'") ? "'".$text : $text;
    }

    public static function unguarded(string $text): string
    {
        return str_starts_with($text, "'") && (self::risky(substr($text, 1)) || str_starts_with(substr($text, 1), "'"))
            ? substr($text, 1)
            : $text;
    }

    private static function risky(string $text): bool
    {
        return $text !== '' && (str_contains(self::FORMULA, $text[0]) || $text[0] === "\t" || $text[0] === "\r");
    }
}
