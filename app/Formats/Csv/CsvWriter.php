<?php

declare(strict_types=1);

namespace App\Formats\Csv;

use RuntimeException;

final class CsvWriter
{
    /**
     * @param  list<string>  $header
     * @param  iterable<list<string>>  $rows
     * @return string UTF-8 with BOM, so that spreadsheets take it for what it is
     */
    public static function write(array $header, iterable $rows): string
    {
        return "\xEF\xBB\xBF".self::separated($header, $rows, ',');
    }

    /**
     * @param  list<string>  $header
     * @param  iterable<list<string>>  $rows
     * @return string as cells lie on a clipboard
     */
    public static function tabbed(array $header, iterable $rows): string
    {
        return self::separated($header, $rows, "\t");
    }

    /**
     * @param  list<string>  $header
     * @param  iterable<list<string>>  $rows
     */
    private static function separated(array $header, iterable $rows, string $separator): string
    {
        $stream = fopen('php://temp', 'r+') ?: throw new RuntimeException('No memory for a CSV file.');
        fputcsv($stream, $header, $separator, '"', '', "\r\n");
        foreach ($rows as $row) {
            fputcsv($stream, array_map(CsvCell::guarded(...), $row), $separator, '"', '', "\r\n");
        }
        rewind($stream);

        return (string) stream_get_contents($stream);
    }
}
