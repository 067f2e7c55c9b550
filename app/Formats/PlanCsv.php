<?php

declare(strict_types=1);

namespace App\Formats;

use App\Formats\Csv\CsvReader;
use App\Formats\Csv\CsvWriter;
use Sartal\Core\Given\Catalogue\ContactPlan;

/** The channels of a contact plan as CSV: one row per contact. */
final class PlanCsv
{
    private const HEADER = ['channel', 'function', 'contact'];

    public static function write(ContactPlan $plan): string
    {
        $rows = [];
        foreach ($plan->channels as $channel => $functions) {
            foreach ($functions as $function => $address) {
                $rows[] = [(string) $channel, (string) $function, $address];
            }
        }

        return CsvWriter::write(self::HEADER, $rows);
    }

    /**
     * Also reads a table that was copied from a spreadsheet, with tabs between its cells.
     *
     * @return array<array-key, array<int|string, string>> channel → function → address
     *
     * @throws BadLine naming every row that is wrong
     */
    public static function read(string $text): array
    {
        if (str_contains(strtok($text, "\n") ?: '', "\t")) {
            $text = str_replace("\t", ',', $text);
        }
        ['header' => $header, 'rows' => $rows] = CsvReader::read($text);
        $slips = [];
        foreach (array_diff(self::HEADER, $header) as $missing) {
            $slips[] = new Slip(
                'table',
                $missing,
                'This column is missing. The first row names channel, function and contact.',
            );
        }
        $channels = [];
        foreach ($slips === [] ? $rows : [] as $line => $row) {
            [$channel, $function, $contact] = [trim($row['channel']), trim($row['function']), trim($row['contact'])];
            if ($channel === '' || $function === '' || $contact === '') {
                $slips[] = new Slip('table', 'row '.$line, 'Channel, function and contact must all be filled in.');
            } elseif (isset($channels[$channel][$function])) {
                $slips[] = new Slip(
                    'table',
                    'row '.$line,
                    sprintf(
                        'Channel %s has %s already, on contact %s. Remove one of the two rows.',
                        $channel,
                        $function,
                        $channels[$channel][$function],
                    ),
                );
            } else {
                $channels[$channel][$function] = $contact;
            }
        }
        if ($slips !== []) {
            throw new BadLine($slips);
        }

        return $channels;
    }
}
