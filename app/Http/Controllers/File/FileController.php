<?php

declare(strict_types=1);

namespace App\Http\Controllers\File;

use App\Formats\FileExporter;
use App\Models\StoredInstallation;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\StreamedResponse;

final class FileController
{
    private const LEVEL = 5;

    /** A hundred megabytes go out as they are written. */
    public function export(Request $request, StoredInstallation $stored, FileExporter $exporter): StreamedResponse
    {
        $isPacked = in_array('gzip', $request->getEncodings(), true);

        return new StreamedResponse(
            static function () use ($exporter, $stored, $isPacked): void {
                $packing = $isPacked ? deflate_init(ZLIB_ENCODING_GZIP, ['level' => self::LEVEL]) : false;
                foreach ($exporter->pieces($stored) as $piece) {
                    echo $packing === false ? $piece : deflate_add($packing, $piece, ZLIB_NO_FLUSH);
                }
                echo $packing === false ? '' : deflate_add($packing, '', ZLIB_FINISH);
            },
            200,
            [
                'Content-Type' => 'application/json',
                'Content-Disposition' => 'attachment; filename="'.
                    preg_replace('~[^A-Za-z0-9._-]~', '-', $stored->key).
                    '.sartal.json"',
                'Vary' => 'Accept-Encoding',
                'X-Content-Type-Options' => 'nosniff',
                ...$isPacked ? ['Content-Encoding' => 'gzip'] : [],
            ],
        );
    }
}
