<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/** One or more faults together whose simulated reading is the one that was taken. */
final readonly class Cause
{
    /** @param  non-empty-list<Fault>  $faults */
    public function __construct(public array $faults)
    {
    }

    /** Fewer faults first, then likelier kinds, then fewer joints to have gone wrong. */
    public function weight(): int
    {
        $weight = 0;
        foreach ($this->faults as $fault) {
            $weight += 10_000 + $fault->kind->rank() * 100 + min(99, count($fault->edges));
        }

        return $weight;
    }

    /** The same for causes that come to the same wiring, in whatever words: a mirrored pair of contacts is a swap. */
    public function comesTo(): string
    {
        $edges = [];
        foreach ($this->faults as $fault) {
            $edges = $fault->edit->edges + $edges;
        }
        ksort($edges, SORT_STRING);

        return hash('xxh128', serialize($edges));
    }

    public function key(): string
    {
        $keys = array_map(static fn (Fault $fault): string => $fault->key(), $this->faults);
        sort($keys, SORT_STRING);

        return implode('+', $keys);
    }
}
