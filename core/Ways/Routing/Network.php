<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;

/** The ways of a building as a graph: locations and junctions, joined by ways. */
final readonly class Network
{
    /** @var array<int|string, list<Way>> place → ways that begin or end there */
    private array $at;

    /** @param  array<int|string, Way>  $ways */
    public function __construct(public array $ways)
    {
        $at = [];
        foreach ($ways as $way) {
            if ($way->joins()) {
                $at[$way->from][] = $way;
                if ($way->to !== $way->from) {
                    $at[$way->to][] = $way;
                }
            }
        }
        $this->at = $at;
    }

    /** @return list<Way> */
    public function at(string $place): array
    {
        return $this->at[$place] ?? [];
    }

    /**
     * Every place that can be come to, in the order of the search.
     *
     * @param  callable(Way): bool  $permits
     * @return array<int|string, true>
     */
    public function reachable(string $from, callable $permits): array
    {
        $seen = [$from => true];
        for ($queue = [$from]; $queue !== [];) {
            $place = array_shift($queue);
            foreach ($this->at($place) as $way) {
                $next = (string) $way->across($place);
                if (! isset($seen[$next]) && $permits($way)) {
                    $seen[$next] = true;
                    $queue[] = $next;
                }
            }
        }

        return $seen;
    }
}
