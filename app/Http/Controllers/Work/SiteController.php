<?php

declare(strict_types=1);

namespace App\Http\Controllers\Work;

use App\Contract\Answer;
use App\Http\Resources\Work\SiteResource;
use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use Illuminate\Contracts\Container\Container;

/**
 * What is to be pulled, and how far everything is on site.
 *
 * @phpstan-import-type Site from SiteResource
 */
final class SiteController
{
    /** @return Answer<Site> */
    public function __invoke(StoredInstallation $stored, Container $container): Answer
    {
        $loaded = static fn (): Loaded => $container->make(Loaded::class);
        $standings = KeptStandings::atWork($stored, $loaded)->all();
        $decided = Kept::once(
            $stored,
            'site',
            Kept::state($stored->edition()),
            static fn (): array => SiteResource::decided($loaded()),
        );

        return new Answer(SiteResource::of($decided, $standings));
    }
}
