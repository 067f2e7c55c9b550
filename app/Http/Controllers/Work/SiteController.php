<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Contract\Answer;
use App\Http\Resources\Work\SiteResource;
use App\Planning\Loaded;

/**
 * What is to be pulled, and how far everything is on site.
 *
 * @phpstan-import-type Site from SiteResource
 */
final class SiteController
{
    /** @return Answer<Site> */
    public function __invoke(Loaded $loaded): Answer
    {
        return new Answer(SiteResource::of($loaded));
    }
}
