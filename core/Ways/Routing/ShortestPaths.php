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
    /**
     * @param  array<int|string, Hop>  $last  place → the hop that leads to it
     * @param  array<int|string, int>  $distance  place → nanometres
     */
    private function __construct(public string $from, private array $last, public array $distance)
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
            foreach ($network->at($place) as $way) {
                $next = (string) $way->across($place);
                if (isset($done[$next]) || ! $permits($way)) {
                    continue;
                }
                $far = $distance[$place] + $way->length->nanometres;
                if (! isset($distance[$next]) || [$far, $hops[$place] + 1] < [$distance[$next], $hops[$next]]) {
                    $distance[$next] = $far;
                    $hops[$next] = $hops[$place] + 1;
                    $last[$next] = new Hop($way, $place, $next);
                    $queue->insert([$far, $hops[$next], ++$order, $next]);
                }
            }
        }

        return new self($from, $last, $distance);
    }

    /** @return ?list<Hop> null where it cannot be come to */
    public function to(string $place): ?array
    {
        if (! isset($this->distance[$place])) {
            return null;
        }
        $hops = [];
        while ($place !== $this->from) {
            $hop = $this->last[$place];
            array_unshift($hops, $hop);
            $place = $hop->from;
        }

        return $hops;
    }
}
