<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Contract\Query;
use App\Http\Requests\Plan\Sought;
use App\Planning\Finder;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;

/** One field for everything: a code, a place, a person, a label that was scanned. */
final class FindController
{
    public function __invoke(#[Query(Sought::class)] Sought $asked, Loaded $loaded): JsonResponse
    {
        return response()->json([
            'found' => (new Finder($loaded))->find($asked->q),
        ]);
    }
}
