<?php

declare(strict_types=1);

namespace App\Formats;

use App\Documents\Drawing\LengthText;
use App\Formats\Csv\CsvReader;
use App\Formats\Csv\CsvWriter;
use App\Planning\Loaded;
use App\Planning\RunKeys;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Inches;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Proposer;

/** The schedule as CSV, out and in (docs/formats.md). All rows come in or none does. */
final class RunsCsv
{
    /** Written for the reader and passed over when read back. */
    public const COMPUTED = ['cut_length', 'stage', 'findings'];

    /**
     * @return array{
     *     proposals: array<int, Proposal>,
     *     joined: JoinedRows,
     *     problems: list<array{row: int, column: string, value: string, remedy: string}>,
     *     columns: list<array{name: string, takenAs: ?string}>,
     * }
     *
     * @throws BadLine when it is not a CSV file of runs at all
     */
    public static function read(string $text, Installation $installation, RunColumns $columns = new RunColumns()): array
    {
        ['header' => $header, 'rows' => $rows] = CsvReader::read($text, $columns->isHeader(...));
        $problems = self::columns($header, $columns);
        $proposals = [];
        $codes = RunKeys::codes($installation);
        $keys = RunKeys::of($installation);
        $proposer = new Proposer($installation->catalogue);
        $joined = new JoinedRows($installation);
        foreach ($problems === [] ? $rows : [] as $line => $row) {
            try {
                $proposal = self::row($line, self::named($row, $columns), $installation, $keys, $proposer, $joined);
                $code = $proposal->run->code;
                if (isset($codes[$code])) {
                    throw BadLine::because(
                        'code',
                        $code,
                        is_int($codes[$code])
                            ? sprintf('Row %d has this code already. Give each run a code of its own.', $codes[$code])
                            : 'A run has this code already. Give each run a code of its own.',
                    );
                }
                $codes[$code] = $line;
                $proposals[$line] = $proposal;
            } catch (BadLine $bad) {
                array_push($problems, ...self::problems($line, $bad));
            }
        }
        try {
            $proposals = array_replace($proposals, $problems === [] ? $joined->proposals($proposals) : []);
        } catch (BadLine $bad) {
            array_push($problems, ...self::problems(1, $bad));
        }
        if ($problems === [] && $proposals === []) {
            throw BadLine::because('file', '', 'The file names columns but holds no runs.');
        }

        return [
            'proposals' => $proposals,
            'joined' => $joined,
            'problems' => $problems,
            'columns' => self::taken($header, $columns),
        ];
    }

    /** @return list<array{row: int, column: string, value: string, remedy: string}> */
    private static function problems(int $row, BadLine $bad): array
    {
        return array_map(
            static fn (Slip $slip): array => [
                'row' => $row,
                'column' => $slip->field,
                'value' => $slip->value,
                'remedy' => $slip->remedy,
            ],
            $bad->slips,
        );
    }

    /** @param  Units  $units  in which lengths are said; what has no exact inches stays in metres */
    public static function write(Loaded $loaded, Units $units = Units::Metric): string
    {
        $plan = $loaded->plan();
        $joined = JoinedCell::in($loaded->installation);
        $rows = [];
        foreach ($loaded->installation->runs() as $run) {
            $line = RunLine::describe($run, $loaded->installation);
            $done = array_filter($plan->strand($run->id), static fn ($bead): bool => $bead->state === BeadState::Done);
            $last = end($done);
            $rows[] = [
                ...self::cells($line, $units),
                $joined->write($run, $line),
                $units->isMetric()
                    ? number_format($plan->runs[$run->id]->cut->result->inMetres(), 3, '.', '')
                    : LengthText::long($plan->runs[$run->id]->cut->result, $units),
                $run->withdrawn ? 'withdrawn' : ($last === false ? '' : $last->stage->value),
                (string) (count($plan->judgedOn(Subject::run($run->id))) +
                    count($plan->resultsOn(Subject::run($run->id)))),
            ];
        }

        return CsvWriter::write([...RunLine::FIELDS, JoinedCell::COLUMN, ...self::COMPUTED], $rows);
    }

    /**
     * Some runs as a spreadsheet takes them from the clipboard, and gives them back: tabs between cells, and by name
     * what has one.
     *
     * @param  list<string>  $runs  in the order in which they are wanted; those that are gone are passed over
     */
    public static function table(Installation $in, array $runs, Units $units = Units::Metric): string
    {
        $joined = JoinedCell::in($in);
        $names = new NamedLine($in);
        $rows = [];
        foreach ($runs as $id) {
            $run = $in->run($id);
            if ($run === null) {
                continue;
            }
            $line = RunLine::describe($run, $in);
            $rows[] = [...self::cells($names->of($line), $units), $joined->write($run, $line)];
        }

        return CsvWriter::tabbed([...RunLine::FIELDS, JoinedCell::COLUMN], $rows);
    }

    /**
     * @param  array<int|string, string>  $line  by field
     * @return list<string> in the order of the fields
     */
    private static function cells(array $line, Units $units): array
    {
        return array_map(
            static fn (string $field): string => self::cell($field, $line[$field] ?? '', $units),
            RunLine::FIELDS,
        );
    }

    private static function cell(string $field, string $text, Units $units): string
    {
        $isLength = preg_match('~^(tail|slack|preparation|leg)_|^length$~', $field) === 1;
        if ($units->isMetric() || $text === '' || ! $isLength) {
            return $text;
        }

        return implode(RunLine::LIST, array_map(static function (string $each) use ($units): string {
            $length = Length::parse($each, 'm');

            return Inches::areExact($length) ? LengthText::long($length, $units) : $each;
        }, RunLine::entries($text)));
    }

    /**
     * @param  array<int|string, string>  $row
     */
    private static function row(
        int $line,
        array $row,
        Installation $installation,
        RunKeys $keys,
        Proposer $proposer,
        JoinedRows $joined,
    ): Proposal {
        if (isset($row["\0extra"])) {
            throw BadLine::because(
                '',
                $row["\0extra"],
                'The row has more cells than the first row has names. Put text with commas in quotes.',
            );
        }
        $request = RunLine::read($row, $installation, $keys->next($row['code'] ?? ''));
        try {
            $proposal = $proposer->propose($request);
        } catch (CannotPropose $cannot) {
            throw BadLine::because(RunKeys::field($cannot->field), $cannot->value, $cannot->getMessage());
        }
        $cell = $row[JoinedCell::COLUMN] ?? '';
        if ($cell !== '') {
            $joined->add($line, $proposal, $request, JoinedCell::read($cell));
        }

        return $proposal;
    }

    /**
     * A row under the fields that its columns hold.
     *
     * @param  array<int|string, string>  $row
     * @return array<int|string, string>
     */
    private static function named(array $row, RunColumns $columns): array
    {
        $named = [];
        foreach ($row as $name => $value) {
            $field = $name === "\0extra" ? $name : $columns->field((string) $name) ?? '';
            if ($field !== '') {
                $named[$field] = $value;
            }
        }

        return $named;
    }

    /**
     * @param  list<string>  $header
     * @return list<array{name: string, takenAs: ?string}> what each column was taken for
     */
    private static function taken(array $header, RunColumns $columns): array
    {
        return array_map(
            static fn (string $name): array => ['name' => $name, 'takenAs' => $columns->field((string) $name)],
            array_values(array_filter($header, static fn (string $name): bool => $name !== '')),
        );
    }

    /**
     * @param  list<string>  $header
     * @return list<array{row: int, column: string, value: string, remedy: string}>
     */
    private static function columns(array $header, RunColumns $columns): array
    {
        $problems = [];
        $fields = [];
        foreach (array_filter($header) as $name) {
            $field = $columns->field((string) $name);
            if ($field === null) {
                $problems[] = [
                    'row' => 1,
                    'column' => mb_strimwidth($name, 0, 60, '…'),
                    'value' => '',
                    'remedy' => 'There is no such column. Say what it holds, name it as in the template, or leave it '.
                        'out.',
                ];
            } elseif ($field !== '' && isset($fields[$field])) {
                $problems[] = [
                    'row' => 1,
                    'column' => mb_strimwidth($name, 0, 60, '…'),
                    'value' => $field,
                    'remedy' => sprintf('Column "%s" holds this already. Leave one of the two out.', $fields[$field]),
                ];
            }
            $fields[$field ?? ''] = $name;
        }
        foreach (array_diff(['code', 'cable', 'signals', 'from', 'to'], array_keys($fields)) as $missing) {
            $problems[] = [
                'row' => 1,
                'column' => $missing,
                'value' => '',
                'remedy' => 'This column is missing. Add it.',
            ];
        }

        return array_slice($problems, 0, 50);
    }
}
