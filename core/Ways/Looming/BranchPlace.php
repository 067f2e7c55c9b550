<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Measure\Length;

/** A branch of a loom that can be moved: where it leaves, and how far it may go. */
final readonly class BranchPlace
{
    /**
     * @param  string  $at  location or junction id
     * @param  string  $into  way id, or "" for the ends at that place
     * @param  Length  $junction  from the root to the junction
     * @param  Length  $by  that it is moved: negative before the junction
     * @param  Length  $least  that it may be moved, negative or nothing
     * @param  list<string>  $members  run ids
     */
    public function __construct(
        public string $at,
        public string $into,
        public Length $junction,
        public Length $by,
        public Length $least,
        public Length $most,
        public array $members,
    ) {
    }
}
