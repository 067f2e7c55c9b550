<?php

declare(strict_types=1);

namespace App\Http\Controllers\File;

use App\Changes\Author;
use App\Changes\ImportMemory;
use App\Changes\RunDesk;
use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Query;
use App\Contract\Refusal;
use App\Formats\BadLine;
use App\Formats\Import\Imported;
use App\Formats\Import\RunsImport;
use App\Formats\Import\RunsTemplate;
use App\Formats\Import\Understanding;
use App\Formats\RunsCsv;
use App\Http\Requests\Ends\UnitsAsked;
use App\Http\Requests\File\RunsFile;
use App\Http\Resources\File\ImportResource;
use App\Planning\Loaded;
use App\Planning\TimeLimit;
use Illuminate\Http\Response;

/**
 * Runs as tables, out and in.
 *
 * @phpstan-import-type RowProblem from Imported
 * @phpstan-import-type ImportShown from ImportResource
 */
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

    /** The columns, and a row that shows how they are filled in: it is passed over when it comes back. */
    public function template(Loaded $loaded): Response
    {
        return self::csv(RunsTemplate::write($loaded->installation), 'runs-template.csv');
    }

    /**
     * What a file would bring, what its words are taken for, and everything that keeps it out. Saves nothing.
     *
     * @return Answer<ImportShown>
     */
    public function preview(#[Body(RunsFile::class)] RunsFile $sent, Loaded $loaded): Answer
    {
        $said = Understanding::from($sent->said)->over((new ImportMemory($loaded->stored))->read());
        $read = RunsImport::read(self::text($sent), $loaded->installation, $said, guessing: true);

        return new Answer(ImportResource::of($read, $loaded->installation, $said));
    }

    /** @return Answer<array{imported: int}> */
    public function import(#[Body(RunsFile::class)] RunsFile $sent, Loaded $loaded, Author $author): Answer
    {
        $said = Understanding::from($sent->said);
        $read = RunsImport::read(self::text($sent), $loaded->installation, $said);
        $problems = [...$read->problems, ...array_map(self::missing(...), $read->missing)];
        if ($problems !== []) {
            throw Refusal::rows('Nothing was imported. Mend the rows named, then import again.', $problems);
        }
        $this->desk->addAll($loaded, $author, $read);
        (new ImportMemory($loaded->stored))->keep($said);

        return new Answer(['imported' => count($read->proposals)], 201);
    }

    /** @return RowProblem */
    private static function missing(string $field): array
    {
        $remedy = 'This column is missing. Add it, or say what holds for every row.';

        return ['sheet' => '', 'row' => 1, 'column' => $field, 'value' => '', 'remedy' => $remedy];
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
