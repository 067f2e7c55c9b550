<?php

declare(strict_types=1);

namespace App\Formats\Import;

use App\Formats\RunColumns;
use App\Formats\RunLine;

/**
 * What the columns of some sheets hold.
 *
 * @phpstan-import-type RowProblem from Imported
 */
final readonly class Columns
{
    private const NEEDED = ['code', 'cable', 'signals', 'from', 'to'];

    private const MOST = 50;

    /** @param  bool  $guessing  whether a column that nobody knows is left out; else it is wrong */
    public function __construct(
        private RunColumns $columns,
        private Understanding $said,
        private bool $guessing,
    ) {
    }

    /** @return list<RowProblem> columns that nobody knows, and those that hold the same */
    public function problems(Sheet $sheet): array
    {
        $problems = [];
        $fields = [];
        foreach (array_filter($sheet->header) as $name) {
            $field = $this->columns->field((string) $name);
            $problem = ['sheet' => $sheet->name, 'row' => 1, 'column' => mb_strimwidth($name, 0, 60, '…')];
            if ($field === null && ! $this->guessing) {
                $problems[] = [
                    ...$problem,
                    'value' => '',
                    'remedy' => 'There is no such column. Say what it holds, name it as in the template, or leave it '.
                        'out.',
                ];
            } elseif ($field !== null && $field !== '' && isset($fields[$field])) {
                $problems[] = [
                    ...$problem,
                    'value' => $field,
                    'remedy' => sprintf('Column "%s" holds this already. Leave one of the two out.', $fields[$field]),
                ];
            }
            $fields[$field ?? ''] = $name;
        }

        return array_slice($problems, 0, self::MOST);
    }

    /**
     * @param  list<Sheet>  $sheets
     * @return list<string> fields that are needed, that one of them has no column for and nobody gave a default
     */
    public function missing(array $sheets): array
    {
        $missing = [];
        foreach ($sheets as $sheet) {
            $fields = array_map(fn (string $name): ?string => $this->columns->field($name), $sheet->header);
            // Who names a device says where that end is.
            $fields[] = in_array('device_a', $fields, true) ? 'from' : null;
            $fields[] = in_array('device_b', $fields, true) ? 'to' : null;
            foreach (array_diff(self::NEEDED, $fields) as $field) {
                if (($this->said->defaults[$field] ?? '') === '') {
                    $missing[$field] = true;
                }
            }
        }

        return array_keys($missing);
    }

    /**
     * @param  list<Sheet>  $sheets
     * @return list<array{name: string, takenAs: ?string}> what each column was taken for
     */
    public function taken(array $sheets): array
    {
        $names = array_unique(array_merge(...array_map(static fn (Sheet $sheet): array => $sheet->header, $sheets)));

        return array_map(
            fn (string $name): array => ['name' => $name, 'takenAs' => $this->columns->field($name)],
            array_values(array_filter($names, static fn (string $name): bool => $name !== '')),
        );
    }

    /**
     * A row under the fields that its columns hold; a number without a unit has that of its column.
     *
     * @param  array<int|string, string>  $cells
     * @return array<int|string, string>
     */
    public function fields(array $cells): array
    {
        $fields = [];
        foreach ($cells as $name => $text) {
            $field = $name === "\0extra" ? $name : $this->columns->field((string) $name) ?? '';
            if ($field !== '') {
                $fields[$field] = self::measured((string) $field, $text, RunColumns::unit((string) $name));
            }
        }

        return $fields;
    }

    private static function measured(string $field, string $text, string $unit): string
    {
        if ($unit === '' || $text === '' || ! RunLine::isLength($field)) {
            return $text;
        }

        return implode(RunLine::LIST, array_map(
            static fn (string $each): string => preg_match('~\d\s*$~', $each) === 1 ? trim($each).' '.$unit : $each,
            RunLine::entries($text),
        ));
    }
}
