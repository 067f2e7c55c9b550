<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Length;

/** One end of a member, where it leaves the loom for its fitting. */
final readonly class LoomEnd
{
    /**
     * @param  ?string  $after  id of the segment that it leaves; null at the root
     * @param  Length  $start  from the root to where it leaves, along the loom
     * @param  Length  $beside  that it goes back or on by itself to its place
     */
    public function __construct(
        public string $run,
        public Side $side,
        public string $place,
        public ?string $after,
        public Length $start,
        public Length $beside,
    ) {
    }
}
