<?php

declare(strict_types=1);

namespace App\Http\Controllers\File;

use App\Changes\Author;
use App\Changes\RunDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Contract\Refusal;
use App\Formats\BadLine;
use App\Formats\RunColumns;
use App\Formats\RunLine;
use App\Formats\RunsCsv;
use App\Http\Requests\Ends\UnitsAsked;
use App\Http\Requests\File\RunsFile;
use App\Planning\Loaded;
use App\Planning\TimeLimit;
use Illuminate\Http\Response;
use Sartal\Core\Plan\Proposing\Proposal;

final readonly class CsvController
{
    /** s of the processor for a table of as many rows as are taken. */
    private const PATIENCE = 300;

    public function __construct(private RunDesk $desk)
    {
    }

    public function export(#[Query(UnitsAsked::class)] UnitsAsked $asked, Loaded $loaded): Response
    {
        return self::csv(RunsCsv::write($loaded, $asked->units), $loaded->stored->key.'-schedule.csv');
    }

    public function template(): Response
    {
        return self::csv("\xEF\xBB\xBF".implode(',', RunLine::FIELDS)."\r\n", 'runs-template.csv');
    }

    /**
     * What a file would bring, or every row that keeps it out. Saves nothing.
     *
     * @return Answer<array{
     *     problems: list<array{row: int, column: string, value: string, remedy: string}>,
     *     columns: list<array{name: string, takenAs: string|null}>,
     *     runs: list<array{
     *         code: string,
     *         cable: string,
     *         from: string,
     *         to: string,
     *         circuits: int,
     *         fittings: int,
     *     }>,
     * }>
     */
    public function preview(#[Body(RunsFile::class)] RunsFile $sent, Loaded $loaded): Answer
    {
        ['proposals' => $proposals, 'problems' => $problems, 'columns' => $columns] = RunsCsv::read(
            self::text($sent),
            $loaded->installation,
            self::columns($sent),
        );

        return new Answer([
            'problems' => $problems,
            'columns' => $columns,
            'runs' => $problems !== []
                    ? []
                    : array_values(
                        array_map(
                            static fn (Proposal $proposal): array => [
                                'code' => $proposal->run->code,
                                'cable' => $loaded->installation->catalogue->cables()[$proposal->run->cable]->name,
                                'from' => $loaded->installation->locationName($proposal->run->a->location),
                                'to' => $loaded->installation->locationName($proposal->run->b->location),
                                'circuits' => count($proposal->circuits),
                                'fittings' => count($proposal->fittings),
                            ],
                            $proposals,
                        ),
                    ),
        ]);
    }

    /** @return Answer<array{imported: int}> */
    public function import(#[Body(RunsFile::class)] RunsFile $sent, Loaded $loaded, Author $author): Answer
    {
        ['proposals' => $proposals, 'joined' => $joined, 'problems' => $problems] = RunsCsv::read(
            self::text($sent),
            $loaded->installation,
            self::columns($sent),
        );
        if ($problems !== []) {
            throw Refusal::rows('Nothing was imported. Mend the rows named, then import again.', $problems);
        }
        $this->desk->addAll($loaded, $author, $proposals, $joined);

        return new Answer(['imported' => count($proposals)], 201);
    }

    /** What a person said that columns hold which Sartal did not know. */
    private static function columns(RunsFile $sent): RunColumns
    {
        $said = json_decode($sent->columns, true);

        return new RunColumns(
            array_filter(
                is_array($said) ? $said : [],
                static fn (mixed $field, int|string $name): bool => is_string($field) && is_string($name),
                ARRAY_FILTER_USE_BOTH,
            ),
        );
    }

    /** @throws BadLine */
    private static function text(RunsFile $sent): string
    {
        $file = $sent->file ?? throw BadLine::because('file', '', 'Choose a CSV file of at most 5 MB.');

        TimeLimit::raise(self::PATIENCE);

        return $file->getContent();
    }

    private static function csv(string $text, string $name): Response
    {
        return new Response($text, 200, [
            'Content-Type' => 'text/csv; charset=UTF-8',
            'Content-Disposition' => 'attachment; filename="'.preg_replace('~[^A-Za-z0-9._-]~', '-', $name).'"',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
