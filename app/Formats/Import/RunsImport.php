<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\BadLine;
use App\Formats\JoinedCell;
use App\Formats\JoinedRows;
use App\Formats\RunColumns;
use App\Formats\RunLine;
use App\Formats\Slip;
use App\Planning\RunKeys;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\InvalidMeasure;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Importing\Lengths;
use Sartal\Core\Plan\Proposing\CannotPropose;
use Sartal\Core\Plan\Proposing\Proposal;
use Sartal\Core\Plan\Proposing\Proposer;

/**
 * Reads runs from what people have: any columns in any order, their own words for what is here, several sheets. All
 * rows come in or none does.
 *
 * @phpstan-import-type RowProblem from Imported
 */
final class RunsImport
{
    /** The code of the row in the template that shows how it is filled in. */
    public const EXAMPLE = 'EXAMPLE';

    /** m; longer is a slip of the unit. */
    private const LONGEST = 2000;

    private readonly RunColumns $columns;

    private readonly Columns $named;

    private readonly ReadWords $words;

    private readonly Lengths $lengths;

    private MadeDevices $devices;

    private Plugs $plugs;

    private JoinedRows $joined;

    private RunKeys $keys;

    private Proposer $proposer;

    /** @var array<int, Proposal> */
    private array $proposals = [];

    /** @var array<int|string, true|int|string> code in use → where, of those in the file */
    private array $codes;

    /** @var list<RowProblem> */
    private array $problems = [];

    private int $examples = 0;

    private function __construct(
        private readonly Installation $in,
        private readonly Understanding $said,
        bool $guessing,
    ) {
        $this->columns = new RunColumns($said->columns);
        $this->named = new Columns($this->columns, $said, $guessing);
        $this->words = new ReadWords($in, $said, $guessing);
        $this->lengths = new Lengths($in);
        $this->codes = RunKeys::codes($in);
    }

    /**
     * @param  bool  $guessing  whether words that nobody explained are guessed; else they are wrong
     *
     * @throws BadLine when it is not a table of runs at all
     */
    public static function read(
        string $text,
        Installation $in,
        Understanding $said = new Understanding(),
        bool $guessing = false,
    ): Imported {
        return (new self($in, $said, $guessing))->imported($text);
    }

    /** @throws BadLine */
    private function imported(string $text): Imported
    {
        $sheets = Sheets::read($text, $this->columns);
        foreach ($sheets as $sheet) {
            array_push($this->problems, ...$this->named->problems($sheet));
        }
        $missing = $this->named->missing($sheets);
        $rows = $this->problems === [] ? $this->rows($sheets) : [];
        // Places that are made have to be there before runs can end at them.
        $with = $this->in->changed([
            'locations' => $this->in->locations() + $this->words->places,
            'looms' => $this->in->looms() + $this->words->looms,
        ]);
        $this->devices = new MadeDevices($with->catalogue, $this->words->devices);
        $this->plugs = new Plugs($with, $this->devices);
        $this->joined = new JoinedRows($with);
        $this->keys = RunKeys::of($with);
        $this->proposer = new Proposer($with->catalogue);
        $lengths = [];
        foreach ($missing === [] ? $rows : [] as $i => $row) {
            $lengths[$i] = $this->row($i, $row, $with);
        }
        $this->join();
        $this->plug($rows);
        if ($this->problems === [] && $missing === [] && $this->proposals === []) {
            throw BadLine::because('file', '', 'The file names columns but holds no runs.');
        }
        foreach (array_filter($lengths) as $i => $length) {
            if (isset($this->proposals[$i])) {
                $this->lengths->say($this->proposals[$i]->run, $length);
            }
        }

        return new Imported(
            $this->proposals,
            $this->joined,
            $this->problems,
            $this->named->taken($sheets),
            $missing,
            $this->words,
            $this->words->places,
            $this->words->looms,
            $this->devices->all,
            $this->said->areWays ? $this->lengths->ways($with) : [],
            $this->plugs->matings,
            $this->lengths,
            $this->examples,
        );
    }

    /**
     * @param  list<Sheet>  $sheets
     * @return array<int, Row> with ids in place of words, and what holds where nothing is written
     */
    private function rows(array $sheets): array
    {
        $rows = [];
        foreach ($sheets as $sheet) {
            foreach ($sheet->rows as $line => $cells) {
                $fields = $this->named->fields($cells);
                foreach ($this->said->cells[$sheet->name.':'.$line] ?? [] as $field => $text) {
                    $fields[$field] = $text;
                }
                if (($fields['code'] ?? '') === self::EXAMPLE) {
                    $this->examples++;

                    continue;
                }
                $rows[] = new Row($sheet->name, $line, $fields);
            }
        }
        $this->number($rows);
        foreach ($rows as $row) {
            $row->fill($this->said->defaults);
            foreach ($row->fields as $field => $text) {
                $row->fields[$field] = $this->words->of((string) $field, $text);
            }
            $row->atDevices($this->in);
        }

        return $rows;
    }

    /**
     * Codes for rows without one, where somebody said how the first is called.
     *
     * @param  list<Row>  $rows
     */
    private function number(array $rows): void
    {
        $first = $this->said->defaults['code'] ?? '';
        $without = array_values(array_filter($rows, static fn (Row $row): bool => ($row->fields['code'] ?? '') === ''));
        if ($first === '' || $without === []) {
            return;
        }
        $written = array_flip(array_map(static fn (Row $row): string => $row->fields['code'] ?? '', $rows));
        $codes = RunKeys::codesFrom($this->in, $first, count($rows));
        $free = array_values(array_filter($codes, static fn (string $code): bool => ! isset($written[$code])));
        foreach ($without as $i => $row) {
            $row->fields['code'] = $free[$i] ?? '';
        }
    }

    /** @return ?Length that it says of a run in the building */
    private function row(int $i, Row $row, Installation $with): ?Length
    {
        try {
            $length = $this->length($row);
            $proposal = $this->proposed($i, $row, $with);
            $this->code($row, $proposal->run->code);
            $this->proposals[$i] = $proposal;

            return $length;
        } catch (BadLine $bad) {
            $this->problem($row, $bad);

            return null;
        }
    }

    private function proposed(int $i, Row $row, Installation $with): Proposal
    {
        $fields = $row->fields;
        if (isset($fields["\0extra"])) {
            throw BadLine::because(
                '',
                $fields["\0extra"],
                'The row has more cells than the first row has names. Put text with commas in quotes.',
            );
        }
        $request = RunLine::read($fields, $with, $this->keys->next($fields['code'] ?? ''));
        try {
            $proposal = $this->proposer->propose($request);
        } catch (CannotPropose $cannot) {
            throw BadLine::because(RunKeys::field($cannot->field), $cannot->value, $cannot->getMessage());
        }
        $cell = $fields[JoinedCell::COLUMN] ?? '';
        if ($cell !== '') {
            $this->joined->add($i, $proposal, $request, JoinedCell::read($cell));
        }

        return $proposal;
    }

    private function code(Row $row, string $code): void
    {
        $there = $this->codes[$code] ?? null;
        if ($there !== null) {
            throw BadLine::because(
                'code',
                $code,
                ! is_string($there)
                    ? 'A run has this code already. Give each run a code of its own.'
                    : sprintf('%s has this code already. Give each run a code of its own.', $there),
            );
        }
        $this->codes[$code] = $row->said();
    }

    /** Takes the length of a run that lies in the building out of its row: ways have it. */
    private function length(Row $row): ?Length
    {
        $text = trim($row->fields['length'] ?? '');
        if ($text === '' || ($row->fields['build'] ?? '') === Build::Lead->value) {
            return null;
        }
        unset($row->fields['length']);
        try {
            $length = Length::parse($text, 'm');
        } catch (InvalidMeasure $invalid) {
            throw BadLine::because('length', $text, $invalid->getMessage());
        }
        if ($length->isNegative() || $length->compare(Length::metres(self::LONGEST)) > 0) {
            throw BadLine::because('length', $text, 'Give a length from nothing to 2,000 m. Check the unit.');
        }

        return $length->isZero() ? null : $length;
    }

    /** @param  array<int, Row>  $rows */
    private function plug(array $rows): void
    {
        foreach ($this->proposals as $i => $proposal) {
            try {
                $this->plugs->add($rows[$i]->fields, $proposal);
            } catch (BadLine $bad) {
                $this->problem($rows[$i], $bad);
            }
        }
    }

    private function join(): void
    {
        try {
            $joined = $this->problems === [] ? $this->joined->proposals($this->proposals) : [];
            $this->proposals = array_replace($this->proposals, $joined);
        } catch (BadLine $bad) {
            $this->problem(new Row('', 1, []), $bad);
        }
    }

    private function problem(Row $row, BadLine $bad): void
    {
        array_push($this->problems, ...array_map(static fn (Slip $slip): array => [
            'sheet' => $row->sheet,
            'row' => $row->line,
            'column' => $slip->field,
            'value' => $slip->value,
            'remedy' => $slip->remedy,
        ], $bad->slips));
    }
}
