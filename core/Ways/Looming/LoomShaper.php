<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Ways\Routing\Route;

/** What shape a loom has: who lies in it, how it grows from its root, and what that costs its runs in length. */
final class LoomShaper
{
    /**
     * @param  list<Run>  $members
     * @param  array<int|string, Route>  $routes  by run
     */
    public static function shape(Loom $loom, array $members, array $routes, Installation $installation): LoomShape
    {
        $ids = array_map(static fn (Run $run): string => $run->id, $members);
        $basis = LoomBasis::among($loom, $members, $routes, $installation);
        if ($basis->tree === null) {
            return new LoomShape($loom, '', [], [], [], [], $ids, $basis->findings);
        }
        $grown = LoomGrowth::from($basis->root, $loom, $basis->runs, $installation, $basis->tree);

        return new LoomShape(
            $loom,
            $basis->root,
            $grown->segments(),
            $grown->branches(),
            $grown->ends(),
            (new Detours($basis->tree))->past($grown->branches()),
            $ids,
            [...$basis->findings, ...$grown->findings()],
        );
    }
}
