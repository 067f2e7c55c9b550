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
        $stream = fopen('php://temp', 'r+') ?: throw new RuntimeException('No memory for a CSV file.');
        fputcsv($stream, $header, ',', '"', '', "\r\n");
        foreach ($rows as $row) {
            fputcsv($stream, array_map(CsvCell::guarded(...), $row), ',', '"', '', "\r\n");
        }
        rewind($stream);

        return "\xEF\xBB\xBF".stream_get_contents($stream);
    }
}
