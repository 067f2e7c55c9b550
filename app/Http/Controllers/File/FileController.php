<?php

declare(strict_types=1);

namespace App\Http\Controllers\File;

use App\Formats\FileExporter;
use App\Planning\Loaded;
use Illuminate\Http\Response;

final class FileController
{
    public function export(Loaded $loaded, FileExporter $exporter): Response
    {
        return new Response($exporter->export($loaded)->print(), 200, [
            'Content-Type' => 'application/json',
            'Content-Disposition' => 'attachment; filename="'.
                preg_replace('~[^A-Za-z0-9._-]~', '-', $loaded->stored->key).
                '.sartal.json"',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
