<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Looming;

use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Ways\Routing\Route;

/** The ways of a loom's members as a tree from its root. */
final class LoomTree
{
    /** @var array<int|string, list<string>> way → runs in it */
    public array $in = [];

    /** @var array<int|string, Way> */
    private array $ways = [];

    /** @var array<int|string, Way> place → the way that leads to it from the root */
    public array $parent = [];

    /** @var array<int|string, list<Way>> place → ways that go on from it, most members first */
    public array $children = [];

    /** @var list<Way> ways that would close a loop */
    public array $loops = [];

    /** @var array<int|string, true> places of the tree */
    public array $places = [];

    /** @param  array<int|string, Route>  $routes  of the members */
    public function __construct(public readonly string $root, public readonly array $routes)
    {
        foreach ($routes as $run => $route) {
            foreach ($route->hops as $hop) {
                $this->ways[$hop->way->id] = $hop->way;
                $this->in[$hop->way->id][] = (string) $run;
            }
        }
        $this->grow();
    }

    /** The way on which most members go on from a place; null at a tip. */
    public function main(string $place): ?Way
    {
        return $this->children[$place][0] ?? null;
    }

    /** Whether all of a route lies in the tree. */
    public function holds(Route $route): bool
    {
        foreach ($route->hops as $hop) {
            if (
                ! isset($this->places[$hop->from], $this->places[$hop->to]) || in_array($hop->way, $this->loops, true)
            ) {
                return false;
            }
        }

        return true;
    }

    private function grow(): void
    {
        $this->places[$this->root] = true;
        $at = [];
        foreach ($this->ways as $way) {
            $at[$way->from][] = $way;
            $at[$way->to][] = $way;
        }
        $taken = [];
        for ($queue = [$this->root]; $queue !== [];) {
            $place = array_shift($queue);
            foreach ($at[$place] ?? [] as $way) {
                $next = $way->across($place);
                if ($next === null || isset($taken[$way->id])) {
                    continue;
                }
                $taken[$way->id] = true;
                if (isset($this->places[$next])) {
                    $this->loops[] = $way;

                    continue;
                }
                $this->places[$next] = true;
                $this->parent[$next] = $way;
                $this->children[$place][] = $way;
                $queue[] = $next;
            }
        }
        foreach ($this->children as $place => $ways) {
            usort($ways, fn (Way $a, Way $b): int => count($this->in[$b->id]) <=> count($this->in[$a->id]));
            $this->children[$place] = $ways;
        }
    }
}
