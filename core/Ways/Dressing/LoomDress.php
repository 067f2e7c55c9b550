<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Dressing;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Ways\Looming\LoomShape;

/** A whole loom as the bench makes it up. */
final readonly class LoomDress
{
    /**
     * @param  list<SegmentDress>  $segments  as in the shape
     * @param  array<int|string, int>  $lanes  segment → line that it is drawn on; 0 is the trunk's
     * @param  list<Finding>  $findings  of the shape and of its dress
     */
    public function __construct(
        public LoomShape $shape,
        public array $segments,
        public array $lanes,
        public array $findings,
    ) {
    }
}
