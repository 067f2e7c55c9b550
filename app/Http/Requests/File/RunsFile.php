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
     * @param  ?UploadedFile  $file  CSV of at most 5 MB
     * @param  string  $columns  JSON: column → field, where a column is called otherwise
     */
    public function __construct(
        public ?UploadedFile $file = null,
        #[Text(max: 20_000, min: 0)] public string $columns = '',
    ) {
    }
}
