<?php

declare(strict_types=1);

namespace App\Formats\Csv;

use App\Formats\BadLine;

/** Rows of a CSV text under the names of its first row: UTF-8 with or without BOM, comma, semicolon or tab. */
final class CsvReader
{
    public const MOST_BYTES = 5_000_000;

    public const MOST_ROWS = 5000;

    /** Bytes by which the separator is told. */
    private const HEAD = 100_000;

    /** Rows that may stand above the one that names the columns. */
    private const ABOVE = 20;

    /**
     * @param  ?callable(list<string>): bool  $isHeader  tells the row that names the columns from titles above it
     * @return array{header: list<string>, rows: array<int, array<int|string, string>>} rows by line number of the
     *     sheet, the header being 1
     *
     * @throws BadLine when it is not such a text
     */
    public static function read(string $text, ?callable $isHeader = null): array
    {
        if (strlen($text) > self::MOST_BYTES) {
            throw BadLine::because(
                'file',
                round(strlen($text) / 1e6, 1).' MB',
                sprintf('The file is over %d MB. Split it.', self::MOST_BYTES / 1_000_000),
            );
        }
        if (str_starts_with($text, "\xEF\xBB\xBF")) {
            $text = substr($text, 3);
        }
        if (! mb_check_encoding($text, 'UTF-8') || str_contains($text, "\0")) {
            throw BadLine::because(
                'file',
                '',
                'The file is not UTF-8 text. Save it from the spreadsheet as "CSV UTF-8".',
            );
        }
        $stream = fopen('php://temp', 'r+');
        if ($stream === false) {
            throw BadLine::because('file', '', 'The file could not be opened. Try again.');
        }
        fwrite($stream, str_replace(["\r\n", "\r"], "\n", $text));
        rewind($stream);
        $separator = self::separator($text);
        [$header, $first] = self::header($stream, $separator, $isHeader);
        if (array_filter($header) === []) {
            throw BadLine::because('file', '', 'The file is empty. Its first row names the columns.');
        }
        $twice = array_keys(
            array_filter(array_count_values(array_filter($header)), static fn (int $count): bool => $count > 1),
        );
        if ($twice !== []) {
            throw BadLine::because(
                'file',
                implode(', ', $twice),
                'A column name stands twice in the first row. Keep one.',
            );
        }
        $rows = [];
        for ($line = $first; ($cells = fgetcsv($stream, null, $separator, '"', '')) !== false; $line++) {
            if ($cells === [null] || implode('', $cells) === '') {
                continue;
            }
            if (count($rows) >= self::MOST_ROWS) {
                throw BadLine::because(
                    'file',
                    '',
                    sprintf('The file has more than %d rows. Split it.', self::MOST_ROWS),
                );
            }
            $row = [];
            foreach ($header as $i => $name) {
                $row[$name] = CsvCell::unguarded((string) ($cells[$i] ?? ''));
            }
            if (count($cells) > count($header)) {
                $row["\0extra"] = implode(' ', array_slice($cells, count($header)));
            }
            $rows[$line] = $row;
        }

        return ['header' => $header, 'rows' => $rows];
    }

    /**
     * @param  resource  $stream
     * @param  ?callable(list<string>): bool  $isHeader
     * @return array{list<string>, int} the names, and the number of the row after them
     */
    private static function header($stream, string $separator, ?callable $isHeader): array
    {
        $fallback = null;
        for (
            $line = 1;
            $line <= self::ABOVE && ($cells = fgetcsv($stream, null, $separator, '"', '')) !== false;
            $line++
        ) {
            $names = array_map(static fn (?string $name): string => strtolower(trim((string) $name)), $cells);
            if ($isHeader === null || $isHeader($names)) {
                return [$names, $line + 1];
            }
            $fallback ??= [$names, ftell($stream)];
        }
        // None is known: the first row is taken for it, and its names are shown as unknown.
        if ($fallback === null) {
            return [[], 2];
        }
        fseek($stream, (int) $fallback[1]);

        return [$fallback[0], 2];
    }

    private static function separator(string $text): string
    {
        // The first rows together: a title above them may hold a comma. What stands in quotes separates nothing.
        $bare = (string) preg_replace('~"(?:[^"]|"")*+"~', '', substr($text, 0, self::HEAD));
        $first = implode("\n", array_slice(explode("\n", $bare, 12), 0, 11));
        $counts = [];
        foreach ([',', ';', "\t"] as $separator) {
            $counts[$separator] = substr_count($first, $separator);
        }
        arsort($counts);

        return max($counts) === $counts[','] ? ',' : (string) array_key_first($counts);
    }
}
