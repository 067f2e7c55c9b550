<?php

declare(strict_types=1);

namespace App\Http\Controllers\File;

use App\Formats\FileExporter;
use App\Formats\FileImporter;
use App\Http\LastOpened;
use App\Models\User;
use App\Planning\Loaded;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use Sartal\Core\File\InstallationFile;
use Sartal\Core\File\InvalidDocument;

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

    /** @throws InvalidDocument */
    public function import(Request $request, #[CurrentUser] User $user, FileImporter $importer): JsonResponse
    {
        $file = $request->file('file');
        if (! ($file instanceof UploadedFile) || ! $file->isValid()) {
            throw InvalidDocument::because('file', '', 'is missing or over 16 MB. Choose an installation file.');
        }
        $stored = $importer->import(InstallationFile::parse($file->getContent()));
        $stored->crew()->syncWithoutDetaching([$user->id]);
        LastOpened::put($user, $stored);

        return response()->json(['id' => $stored->id, 'address' => $stored->address, 'name' => $stored->name], 201);
    }
}
