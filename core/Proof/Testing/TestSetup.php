<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

/**
 * What is touched and what is watched. Normally one side against the other;
 * everything against everything where an assembly has no two sides.
 */
final class TestSetup
{
    /** @var ?array<int|string, Probe> of what is watched, all but mains */
    private ?array $lit = null;

    /**
     * @param  array<int|string, Probe>  $from  by node
     * @param  array<int|string, Probe>  $to  by node
     * @param  list<PairCheck>  $pairs
     */
    public function __construct(
        public readonly array $from,
        public readonly array $to,
        public readonly array $pairs,
        public readonly Makeup $makeup = new Makeup(),
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
     * What a lamp is put to: all but mains.
     *
     * @return array<int|string, Probe>
     */
    public function touched(): array
    {
        return $this->makeup->live === [] ? $this->from : array_diff_key($this->from, $this->makeup->live);
    }

    /**
     * Where it is watched whether a lamp lights.
     *
     * @return array<int|string, Probe>
     */
    public function watched(): array
    {
        return $this->makeup->live === []
            ? $this->to
            : $this->lit ??= array_diff_key($this->to, $this->makeup->live);
    }

    /** As it was tested before: mains in the map with all the rest. */
    public function undivided(): self
    {
        return new self($this->from, $this->to, $this->pairs, $this->makeup->undivided());
    }

    /**
     * Every point against every other: what two unused contacts of one end do
     * to each other shows in no map from end to end. Nothing, where that is
     * what the map does anyway.
     */
    public function everything(): self
    {
        $all = array_intersect_key($this->from, $this->to) === [] ? $this->from + $this->to : [];

        return new self($all, $all, [], $this->makeup);
    }
}
