<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;

/** The ways of a building as a graph: locations and junctions, joined by ways. */
final readonly class Network
{
    /** @var array<int|string, list<Hop>> place → what leads away from it; all that is found here shares them */
    private array $at;

    /** @param  array<int|string, Way>  $ways */
    public function __construct(public array $ways)
    {
        $at = [];
        foreach ($ways as $way) {
            if ($way->joins()) {
                $at[$way->from][] = new Hop($way, (string) $way->from, (string) $way->to);
                if ($way->to !== $way->from) {
                    $at[$way->to][] = new Hop($way, (string) $way->to, (string) $way->from);
                }
            }
        }
        $this->at = $at;
    }

    /** @return list<Hop> */
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
            foreach ($this->at($place) as $hop) {
                if (! isset($seen[$hop->to]) && $permits($hop->way)) {
                    $seen[$hop->to] = true;
                    $queue[] = $hop->to;
                }
            }
        }

        return $seen;
    }
}
