<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Http\Resources\Work\SiteResource;
use App\Planning\Loaded;
use Illuminate\Http\JsonResponse;

/** What is to be pulled, and how far everything is on site. */
final class SiteController
{
    public function __invoke(Loaded $loaded): JsonResponse
    {
        return response()->json(SiteResource::of($loaded));
    }
}
