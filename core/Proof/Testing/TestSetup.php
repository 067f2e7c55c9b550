<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/**
 * What is touched and what is watched. Normally one side against the other;
 * everything against everything where an assembly has no two sides.
 */
final readonly class TestSetup
{
    /**
     * @param  array<int|string, Probe>  $from  by node
     * @param  array<int|string, Probe>  $to  by node
     * @param  list<PairCheck>  $pairs
     */
    public function __construct(
        public array $from,
        public array $to,
        public array $pairs,
        public Makeup $makeup = new Makeup(),
    ) {
    }

    public function pair(string $id): ?PairCheck
    {
        foreach ($this->pairs as $pair) {
            if ($pair->id === $id) {
                return $pair;
            }
        }

        return null;
    }

    /** @return list<string> */
    public function pairIds(): array
    {
        return array_map(static fn (PairCheck $pair): string => $pair->id, $this->pairs);
    }

    public function probe(string $node): ?Probe
    {
        return $this->from[$node] ?? ($this->to[$node] ?? null);
    }

    /**
     * Every point against every other: what two unused contacts of one end do
     * to each other shows in no map from end to end. Nothing, where that is
     * what the map does anyway.
     */
    public function everything(): self
    {
        $all = array_intersect_key($this->from, $this->to) === [] ? $this->from + $this->to : [];

        return new self($all, $all, []);
    }
}
