<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Plan\Sought;
use App\Models\StoredInstallation;
use App\Planning\Finder;
use App\Planning\Kept;
use App\Planning\Loaded;
use App\Planning\Named;
use Illuminate\Contracts\Container\Container;

/**
 * One field for everything: a code, a place, a person, a label that was scanned.
 *
 * @phpstan-import-type Thing from Named
 */
final class FindController
{
    /** @return Answer<array{found: list<Thing>}> */
    public function __invoke(
        #[Query(Sought::class)] Sought $asked,
        StoredInstallation $stored,
        Container $container,
    ): Answer {
        $things = Kept::once(
            $stored,
            'names',
            Kept::state('names', $stored->decisions),
            static fn (): array => [...Named::in($container->make(Loaded::class)->installation)],
        );

        return new Answer(['found' => (new Finder([...$things, ...Named::people($stored->names())]))->find($asked->q)]);
    }
}
