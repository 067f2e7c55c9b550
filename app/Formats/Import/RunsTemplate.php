<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\Csv\CsvWriter;
use App\Formats\NamedLine;
use App\Formats\RunLine;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;

/** An empty table of runs with one row that shows how it is filled in, of what the installation has. */
final class RunsTemplate
{
    public static function write(Installation $in): string
    {
        $line = ['code' => RunsImport::EXAMPLE, 'note' => 'This row shows how it is done and is passed over.'];
        $line += self::example($in);

        return CsvWriter::write(
            RunLine::FIELDS,
            [array_map(static fn (string $field): string => $line[$field] ?? '', RunLine::FIELDS)],
        );
    }

    /** @return array<int|string, string> a run that is there, else one from the first place to the next */
    private static function example(Installation $in): array
    {
        $plain = array_filter(
            $in->runs(),
            static fn (Run $run): bool => $run->build === Build::Shop && ! $run->withdrawn,
        );
        $names = new NamedLine($in);
        $run = $plain[array_key_first($plain) ?? ''] ?? null;
        if ($run !== null) {
            return $names->of(['ways' => ''] + RunLine::describe($run, $in));
        }
        $places = array_map(strval(...), array_keys($in->locations()));

        return $names->of([
            'cable' => (string) (array_key_first($in->catalogue->cables()) ?? ''),
            'signals' => (string) (array_key_first($in->catalogue->signals()) ?? ''),
            'from' => $places[0] ?? 'Stage left',
            'to' => $places[1] ?? 'Rack room',
            'tail_a' => '1',
            'tail_b' => '1',
        ]);
    }
}
