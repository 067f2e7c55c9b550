<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Planning\Finder;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/** One field for everything: a code, a place, a person, a label that was scanned. */
final class FindController
{
    public function __invoke(Request $request, Loaded $loaded): JsonResponse
    {
        return response()->json([
            'found' => (new Finder($loaded))->find($request->string('q')->trim()->limit(200, '')->toString()),
        ]);
    }
}
