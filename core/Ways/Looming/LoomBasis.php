<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Loom;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Ways\Routing\Route;

/** From where a loom is laid out, and which of its members lie in it; of the others it is said why not. */
final readonly class LoomBasis
{
    /**
     * @param  ?LoomTree  $tree  null where no member lies anywhere
     * @param  array<int|string, Run>  $runs  that lie in it
     * @param  list<Finding>  $findings
     */
    private function __construct(
        public string $root,
        public ?LoomTree $tree,
        public array $runs,
        public array $findings,
    ) {
    }

    /**
     * @param  list<Run>  $members
     * @param  array<int|string, Route>  $routes  by run
     */
    public static function among(Loom $loom, array $members, array $routes, Installation $installation): self
    {
        $placed = $runs = $findings = [];
        foreach ($members as $run) {
            $route = $routes[$run->id];
            if (self::isWhole($route) && self::leads($run, $route)) {
                $placed[$run->id] = $route;
                $runs[$run->id] = $run;
            } else {
                $findings[] = self::withoutWay($loom, $run);
            }
        }
        if ($placed === []) {
            return new self('', null, [], $members === [] ? [self::empty($loom)] : $findings);
        }
        [$root, $lost] = self::root($loom, $runs, $placed);
        if ($lost !== '') {
            $findings[] = self::rootedNowhere($loom, $installation->placeName($lost));
        }
        [$tree, $apart] = self::tree($root, $placed);
        foreach ($apart as $id) {
            $findings[] = self::apart($loom, $runs[$id]);
        }

        return new self($root, $tree, array_intersect_key($runs, $tree->routes), $findings);
    }

    private static function isWhole(Route $route): bool
    {
        return $route->hops !== [] &&
            array_filter($route->hops, static fn ($hop): bool => $hop->from === '' || $hop->to === '') === [];
    }

    private static function leads(Run $run, Route $route): bool
    {
        $last = $route->hops[count($route->hops) - 1];

        return $route->hops[0]->from === $run->a->location && $last->to === $run->b->location;
    }

    /**
     * Where most members end, unless somebody chose; what was chosen in vain.
     *
     * @param  array<int|string, Run>  $runs
     * @param  array<int|string, Route>  $routes
     * @return array{string, string}
     */
    private static function root(Loom $loom, array $runs, array $routes): array
    {
        $ends = [];
        foreach ($runs as $run) {
            foreach ([$run->a->location, $run->b->location] as $place) {
                $ends[$place] = ($ends[$place] ?? 0) + 1;
            }
        }
        arsort($ends);
        $usual = (string) array_key_first($ends);
        if ($loom->root === '') {
            return [$usual, ''];
        }
        foreach ($routes as $route) {
            foreach ($route->hops as $hop) {
                if ($hop->from === $loom->root || $hop->to === $loom->root) {
                    return [$loom->root, ''];
                }
            }
        }

        return [$usual, $loom->root];
    }

    /**
     * The tree of those members that lie in one; the others are left out.
     *
     * @param  array<int|string, Route>  $routes
     * @return array{LoomTree, list<string>}
     */
    private static function tree(string $root, array $routes): array
    {
        $tree = new LoomTree($root, $routes);
        $apart = array_keys(array_filter($routes, static fn (Route $route): bool => ! $tree->holds($route)));

        return $apart === []
            ? [$tree, []]
            : [new LoomTree($root, array_diff_key($routes, array_flip($apart))), array_map(strval(...), $apart)];
    }

    private static function withoutWay(Loom $loom, Run $run): Finding
    {
        return Finding::check(
            'loom.member-without-way',
            Subject::loom($loom->id),
            sprintf('%s belongs to %s, and its ways do not lead through the building.', $run->code, $loom->name),
            'Give it ways that connect its ends, or take it out of the loom.',
        );
    }

    private static function empty(Loom $loom): Finding
    {
        return Finding::note(
            'loom.empty',
            Subject::loom($loom->id),
            sprintf('%s has no members.', $loom->name),
            'Put runs into it, or remove it.',
        );
    }

    private static function rootedNowhere(Loom $loom, string $place): Finding
    {
        return Finding::check(
            'loom.root',
            Subject::loom($loom->id),
            sprintf('%s is laid out from %s, where none of its members comes.', $loom->name, $place),
            'Choose a place on its ways.',
        );
    }

    private static function apart(Loom $loom, Run $run): Finding
    {
        return Finding::check(
            'loom.member-apart',
            Subject::loom($loom->id),
            sprintf(
                '%s does not lie in %s: its ways touch none of the others, or go round in a loop.',
                $run->code,
                $loom->name,
            ),
            'Take it out of the loom, or pin it to the loom\'s ways.',
        );
    }
}
