<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Installation\Loom;

/** A loom laid out from its root: segments, the branches between them, and where each member leaves. */
final readonly class LoomShape
{
    /**
     * @param  string  $root  location id; "" where the loom has no shape
     * @param  list<Segment>  $segments  those nearer to the root first
     * @param  list<BranchPlace>  $branches
     * @param  list<LoomEnd>  $ends
     * @param  array<int|string, list<Detour>>  $detours  by run
     * @param  list<string>  $members  run ids
     * @param  list<Finding>  $findings
     */
    public function __construct(
        public Loom $loom,
        public string $root,
        public array $segments,
        public array $branches,
        public array $ends,
        public array $detours,
        public array $members,
        public array $findings,
    ) {
    }
}
