<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Wiring;

/** A netlist: nodes joined by edges. Which nodes conduct to each other follows from it. */
final class Wiring
{
    /** @var array<int|string, array<int|string, true>> node → edge ids */
    private array $incident = [];

    /** @param  array<int|string, Edge>  $edges by id */
    private function __construct(public readonly array $edges)
    {
    }

    /** @param  iterable<Edge>  $edges */
    public static function from(iterable $edges): self
    {
        $byId = [];
        foreach ($edges as $edge) {
            $byId[$edge->id] = $edge;
        }
        $wiring = new self($byId);
        foreach ($byId as $edge) {
            $wiring->attach($edge);
        }

        return $wiring;
    }

    /** The same wiring with an edit made. Costs the edit, not the wiring. */
    public function edited(WiringEdit $edit): self
    {
        $edges = $this->edges;
        foreach ($edit->edges as $id => $edge) {
            unset($edges[$id]);
            if ($edge !== null) {
                $edges[$id] = $edge;
            }
        }
        $edited = new self($edges);
        $edited->incident = $this->incident;
        foreach ($edit->edges as $id => $edge) {
            $old = $this->edges[$id] ?? null;
            if ($old !== null) {
                unset($edited->incident[$old->from][$id], $edited->incident[$old->to][$id]);
            }
            if ($edge !== null) {
                $edited->attach($edge);
            }
        }

        return $edited;
    }

    /**
     * Every node that conducts to this one, itself included.
     *
     * @param  float  $most  Ω of an edge that still counts: a lamp does not see what leaks
     * @param  bool  $shaken  while the assembly is moved: what is loose has let go
     * @return array<int|string, true>
     */
    public function reach(string $node, float $most = INF, bool $shaken = false): array
    {
        $seen = [$node => true];
        $queue = [$node];
        while ($queue !== []) {
            $at = array_pop($queue);
            foreach ($this->incident[$at] ?? [] as $id => $_) {
                $edge = $this->edges[$id];
                if (! $edge->closed || $edge->ohms > $most || ($shaken && $edge->loose)) {
                    continue;
                }
                $next = $edge->from === $at ? $edge->to : $edge->from;
                if (! isset($seen[$next])) {
                    $seen[$next] = true;
                    $queue[] = $next;
                }
            }
        }

        return $seen;
    }

    /**
     * Every node that conducts here to what an edit takes out or puts in.
     *
     * @param  self  $before  the wiring that the edit is made in
     * @return array<int|string, true>
     */
    public function around(WiringEdit $edit, self $before): array
    {
        $nodes = [];
        foreach ($edit->edges as $id => $edge) {
            foreach (array_filter([$edge, $before->edges[$id] ?? null]) as $each) {
                foreach ([$each->from, $each->to] as $node) {
                    $nodes += isset($nodes[$node]) ? [] : $this->reach($node);
                }
            }
        }

        return $nodes;
    }

    /**
     * Every node with the number of the conducting piece that it belongs to:
     * one pass over the wiring, for readings of all of it.
     *
     * @param  float  $most  Ω of an edge that still counts
     * @return array<int|string, int>
     */
    public function pieces(float $most = INF): array
    {
        $piece = [];
        $number = 0;
        foreach ($this->incident as $node => $_) {
            $node = (string) $node;
            if (! isset($piece[$node])) {
                foreach ($this->reach($node, $most) as $reached => $_) {
                    $piece[(string) $reached] = $number;
                }
                $number++;
            }
        }

        return $piece;
    }

    /**
     * The edges that end at a node, whether closed or not.
     *
     * @return list<Edge>
     */
    public function at(string $node): array
    {
        $edges = [];
        foreach ($this->incident[$node] ?? [] as $id => $_) {
            $edges[] = $this->edges[$id];
        }

        return $edges;
    }

    /** @return list<string> */
    public function nodes(): array
    {
        return array_map(strval(...), array_keys($this->incident));
    }

    private function attach(Edge $edge): void
    {
        $this->incident[$edge->from][$edge->id] = true;
        $this->incident[$edge->to][$edge->id] = true;
    }
}
