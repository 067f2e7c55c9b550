<?php

declare(strict_types=1);

namespace App\Http\Controllers\Ends;

use App\Contract\Answer;
use App\Http\Resources\Ends\ReachResource;
use App\Planning\Loaded;

/**
 * How far every circuit goes, beside how far it may go.
 *
 * @phpstan-import-type Reach from ReachResource
 */
final readonly class ReachController
{
    /** @return Answer<array{circuits: list<Reach>}> */
    public function __invoke(Loaded $loaded): Answer
    {
        return new Answer(['circuits' => ReachResource::of($loaded)]);
    }
}
