<?php

declare(strict_types=1);

namespace App\Http\Controllers\Plan;

use App\Contract\Answer;
use App\Contract\Query;
use App\Http\Requests\Plan\Sought;
use App\Planning\Finder;
use App\Planning\Loaded;

/** One field for everything: a code, a place, a person, a label that was scanned. */
final class FindController
{
    /** @return Answer<array{found: list<array{kind: string, name: string, about: string, path: string}>}> */
    public function __invoke(#[Query(Sought::class)] Sought $asked, Loaded $loaded): Answer
    {
        return new Answer([
            'found' => (new Finder($loaded))->find($asked->q),
        ]);
    }
}
