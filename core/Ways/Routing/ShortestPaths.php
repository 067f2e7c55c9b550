<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;
use SplMinHeap;

/**
 * Shortest paths from one place to all others: E. W. Dijkstra, "A note on two
 * problems in connexion with graphs", Numerische Mathematik 1, 1959. Of paths
 * of one length the one with fewer ways is taken, then the one listed first.
 */
final readonly class ShortestPaths
{
    /** @param  array<int|string, Hop>  $last  place → the hop that leads to it */
    private function __construct(public string $from, private array $last)
    {
    }

    /** @param  callable(Way): bool  $permits */
    public static function from(string $from, Network $network, callable $permits): self
    {
        /** @var SplMinHeap<array{int, int, int, string}> $queue nanometres, ways, order, place */
        $queue = new SplMinHeap();
        $distance = [$from => 0];
        $hops = [$from => 0];
        $last = [];
        $done = [];
        $order = 0;
        $queue->insert([0, 0, 0, $from]);
        while (! $queue->isEmpty()) {
            [, , , $place] = $queue->extract();
            if (isset($done[$place])) {
                continue;
            }
            $done[$place] = true;
            foreach ($network->at($place) as $hop) {
                $next = $hop->to;
                if (isset($done[$next]) || ! $permits($hop->way)) {
                    continue;
                }
                $far = $distance[$place] + $hop->way->length->nanometres;
                if (! isset($distance[$next]) || [$far, $hops[$place] + 1] < [$distance[$next], $hops[$next]]) {
                    $distance[$next] = $far;
                    $hops[$next] = $hops[$place] + 1;
                    $last[$next] = $hop;
                    $queue->insert([$far, $hops[$next], ++$order, $next]);
                }
            }
        }

        return new self($from, $last);
    }

    /** @return ?list<Hop> null where it cannot be come to */
    public function to(string $place): ?array
    {
        $hops = [];
        while ($place !== $this->from) {
            $hop = $this->last[$place] ?? null;
            if ($hop === null) {
                return null;
            }
            $hops[] = $hop;
            $place = $hop->from;
        }

        return array_reverse($hops);
    }
}
