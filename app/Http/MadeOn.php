<?php

declare(strict_types=1);

namespace App\Http;

use App\Formats\BadLine;
use Illuminate\Http\Request;

/** The version that a write was made on: whatever people share is written over by nobody who has not seen it. */
final class MadeOn
{
    /** @throws BadLine where it does not say */
    public static function version(Request $request): int
    {
        $version = $request->input('version');
        if (! is_int($version)) {
            throw BadLine::because(
                'version',
                is_scalar($version) ? (string) $version : '',
                'Say which version this was made on, as a whole number. Load the page again.',
            );
        }

        return $version;
    }
}
