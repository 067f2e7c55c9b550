<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\WiringEdit;

/**
 * Whole elements exchanged at one end (crossed pairs, channels exchanged), and
 * the same two conductors exchanged at both ends (a split pair: straight
 * through by contact, but not by twist).
 */
final readonly class PairFaults implements FaultSource
{
    /** @param  array<int|string, string>  $groups joint id → the element (pair, coax, …) its conductor belongs to */
    public function __construct(private array $groups)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $joints) {
            yield from $this->crossed($joints);
        }
        yield from $this->split($patch);
    }

    /**
     * @param  list<Edge>  $joints
     * @return iterable<Fault>
     */
    private function crossed(array $joints): iterable
    {
        $elements = [];
        foreach ($joints as $joint) {
            $elements[$this->groups[$joint->id] ?? ''][] = $joint;
        }
        unset($elements['']);
        $elements = array_values(array_filter($elements, static fn (array $of): bool => count($of) > 1));
        foreach ($elements as $i => $one) {
            foreach (array_slice($elements, $i + 1) as $other) {
                if (count($one) === count($other)) {
                    yield $this->exchanged($this->byConductor($one), $this->byConductor($other));
                }
            }
        }
    }

    /**
     * @param  list<Edge>  $one
     * @param  list<Edge>  $other
     */
    private function exchanged(array $one, array $other): Fault
    {
        $edges = [];
        $nodes = [];
        foreach ($one as $i => $joint) {
            $edges[$joint->id] = $joint->movedTo($other[$i]->to);
            $edges[$other[$i]->id] = $other[$i]->movedTo($joint->to);
            array_push($nodes, $joint->to, $other[$i]->to);
        }

        return new Fault(
            FaultKind::Crossed,
            $nodes,
            array_map(strval(...), array_keys($edges)),
            new WiringEdit($edges),
        );
    }

    /**
     * In the order of the cable, not of the connector: like goes with like.
     *
     * @param  list<Edge>  $joints
     * @return list<Edge>
     */
    private function byConductor(array $joints): array
    {
        usort($joints, static fn (Edge $a, Edge $b): int => strcmp($a->from, $b->from));

        return $joints;
    }

    /** @return iterable<Fault> */
    private function split(Patch $patch): iterable
    {
        foreach (BothEnds::in($patch) as $two) {
            if ($two->isOfTwoTwists()) {
                yield $two->exchanged(FaultKind::Split);
            }
        }
    }
}
