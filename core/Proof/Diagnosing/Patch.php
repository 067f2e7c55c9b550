<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Proof\Testing\SwitchStates;

/** The part of a wiring that a wrong reading touches: its joints and conductors, and its terminals by fitting. */
final readonly class Patch
{
    /**
     * @param  array<int|string, list<Edge>>  $joints  by fitting
     * @param  list<Edge>  $conductors
     * @param  array<int|string, list<string>>  $terminals  by fitting, in the order of the connector
     * @param  array<int|string, list<Edge>>  $switches  edges of each switch
     * @param  list<Edge>  $links
     */
    private function __construct(
        public Wiring $wiring,
        public array $joints,
        public array $conductors,
        public array $terminals,
        public array $switches,
        public array $links,
    ) {
    }

    /**
     * @param  list<string>  $probes
     * @param  array<int|string, int>  $order  place of every terminal in its connector
     */
    public static function around(array $probes, Wiring $wiring, array $order): self
    {
        $nodes = [];
        foreach ($probes as $probe) {
            if (! isset($nodes[$probe])) {
                $nodes += $wiring->reach($probe);
            }
        }
        $joints = [];
        $conductors = [];
        $terminals = [];
        $switches = [];
        $links = [];
        foreach ($nodes as $node => $_) {
            $node = (string) $node;
            $fitting = Node::fitting($node);
            if ($fitting !== null) {
                $terminals[$fitting][] = $node;
            }
            foreach ($wiring->at($node) as $edge) {
                if ($edge->kind === EdgeKind::Joint && $fitting !== null) {
                    $joints[$fitting][$edge->id] = $edge;
                } elseif ($edge->kind === EdgeKind::Conductor) {
                    $conductors[$edge->id] = $edge;
                } elseif ($edge->kind === EdgeKind::Switch) {
                    $switches[SwitchStates::switchOf($edge)][$edge->id] = $edge;
                } elseif ($edge->kind === EdgeKind::Link) {
                    $links[$edge->id] = $edge;
                }
            }
        }
        $place = static fn (string $node): int => $order[$node] ?? PHP_INT_MAX;
        foreach ($terminals as &$list) {
            usort($list, static fn (string $a, string $b): int => $place($a) <=> $place($b));
        }
        unset($list);
        $inOrder = [];
        foreach ($joints as $fitting => $made) {
            $made = array_values($made);
            usort($made, static fn (Edge $a, Edge $b): int => $place($a->to) <=> $place($b->to));
            $inOrder[$fitting] = $made;
        }

        return new self(
            $wiring,
            $inOrder,
            array_values($conductors),
            $terminals,
            array_map(array_values(...), $switches),
            array_values($links),
        );
    }
}
