<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\BadLine;
use App\Formats\Csv\CsvReader;
use App\Formats\RunColumns;

/** The sheets of a workbook as one text: a form feed begins each, with its name on the rest of that line. */
final class Sheets
{
    private const BREAK = "\f";

    /**
     * @return list<Sheet> one without a name where the text is one table
     *
     * @throws BadLine where one of them is no table
     */
    public static function read(string $text, RunColumns $columns): array
    {
        if (! str_starts_with($text, self::BREAK)) {
            ['header' => $header, 'rows' => $rows] = CsvReader::read($text, $columns->isHeader(...));

            return [new Sheet('', $header, $rows)];
        }
        $sheets = [];
        foreach (explode(self::BREAK, substr($text, 1)) as $part) {
            [$name, $rest] = [...explode("\n", $part, 2), ''];
            ['header' => $header, 'rows' => $rows] = CsvReader::read($rest, $columns->isHeader(...));
            $sheets[] = new Sheet(trim($name), $header, $rows);
        }

        return $sheets;
    }
}
