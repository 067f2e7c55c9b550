<?php

declare(strict_types=1);

namespace App\Http\Controllers\Ends;

use App\Http\Resources\Ends\ReachResource;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;

/** How far every circuit goes, beside how far it may go. */
final readonly class ReachController
{
    public function __invoke(Loaded $loaded): JsonResponse
    {
        return response()->json(['circuits' => ReachResource::of($loaded)]);
    }
}
