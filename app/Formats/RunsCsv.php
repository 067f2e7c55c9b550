<?php

declare(strict_types=1);

namespace App\Formats;

use App\Documents\Drawing\LengthText;
use App\Formats\Csv\CsvWriter;
use App\Planning\Loaded;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Measure\Inches;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Units;
use Sartal\Core\Plan\Planning\BeadState;

/** The schedule as CSV (docs/formats.md), such as comes back in. */
final class RunsCsv
{
    /** Written for the reader and passed over when read back. */
    public const COMPUTED = ['cut_length', 'stage', 'findings'];

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
        if ($units->isMetric() || $text === '' || ! RunLine::isLength($field)) {
            return $text;
        }

        return implode(RunLine::LIST, array_map(static function (string $each) use ($units): string {
            $length = Length::parse($each, 'm');

            return Inches::areExact($length) ? LengthText::long($length, $units) : $each;
        }, RunLine::entries($text)));
    }
}
