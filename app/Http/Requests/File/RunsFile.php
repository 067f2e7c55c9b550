<?php

declare(strict_types=1);

namespace App\Http\Requests\File;

use App\Contract\Shape;
use App\Contract\Text;
use Illuminate\Http\UploadedFile;

/** Runs as a table. */
final readonly class RunsFile implements Shape
{
    /**
     * @param  ?UploadedFile  $file  CSV of at most 5 MB; sheets of a workbook each begin with a form feed and a name
     * @param  string  $said  JSON: how it is to be read (docs/formats.md)
     */
    public function __construct(
        public ?UploadedFile $file = null,
        #[Text(max: 500_000, min: 0, lines: true)] public string $said = '',
    ) {
    }
}
