<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Pulling;

use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\Length;

/** Cables that go the same way from the same place, and are pulled as one. */
final readonly class Pull
{
    /**
     * @param  string  $id  of what it is made of: the same cables the same way have the same
     * @param  bool  $mains  kept apart from the others
     * @param  string  $from  location id at which it begins
     * @param  list<string>  $ways  ids, in its order
     * @param  list<string>  $runs  ids, the longest first
     * @param  Length  $length  of its ways
     * @param  Figure  $tension  N, at most
     * @param  Figure  $bend  mm, the least radius
     * @param  list<string>  $stops  places to pull through to and begin again, and ways that want a box
     * @param  array<int|string, string>  $leads  run → end that goes first, "A" or "B"; "" where it is the same
     * @param  list<string>  $hindrances  what does not go through
     */
    public function __construct(
        public string $id,
        public bool $mains,
        public string $from,
        public string $to,
        public array $ways,
        public array $runs,
        public Length $length,
        public Figure $tension,
        public Figure $bend,
        public array $stops,
        public array $leads,
        public array $hindrances,
    ) {
    }
}
