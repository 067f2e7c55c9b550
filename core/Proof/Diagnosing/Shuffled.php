<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Proof\Testing\Expectation;
use Sartal\Core\Proof\Testing\Reading;

/**
 * Many cores in each other's places, read straight off the map: where one contact lights one other, the core of the
 * first sits on the second. Nothing is tried, so that seventy cores are told as quickly as two.
 */
final readonly class Shuffled implements FaultSource
{
    /** Fewer are exchanged and moved one by one. */
    private const LEAST = 4;

    /** @var array<int|string, list<string>> point → those that it lights, or that light it */
    private array $lit;

    public function __construct(private Expectation $expectation, Reading $reading)
    {
        $lit = $reading->lights;
        foreach ($reading->lights as $from => $to) {
            foreach ($to as $node) {
                $lit[$node] = [...$lit[$node] ?? [], (string) $from];
            }
        }
        $this->lit = array_map(static fn (array $nodes): array => array_values(array_unique($nodes)), $lit);
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $fitting => $joints) {
            $edges = $nodes = [];
            foreach ($joints as $joint) {
                $to = $this->found($joint, (string) $fitting);
                if ($to !== $joint->to) {
                    $edges[$joint->id] = $to === null ? null : $joint->movedTo($to);
                    $nodes[] = $joint->to;
                }
            }
            if (count($edges) >= self::LEAST) {
                yield new Fault(
                    FaultKind::Shuffled,
                    $nodes,
                    array_map(strval(...), array_keys($edges)),
                    new WiringEdit($edges),
                );
            }
        }
    }

    /** The terminal that a core was found on; null where it is on none, its own where that cannot be told. */
    private function found(Edge $joint, string $fitting): ?string
    {
        $far = self::far($joint, $this->expectation->wiring);
        if ($far === null || ! isset($this->lit[$far])) {
            return $joint->to;
        }
        $here = array_values(
            array_filter($this->lit[$far], static fn (string $node): bool => Node::fitting($node) === $fitting),
        );

        return match (count($here)) {
            0 => null,
            1 => $here[0],
            // Commons light several: a core that is among those where it should be stays there.
            default => in_array($joint->to, $here, true) ? $joint->to : $here[0],
        };
    }

    /** The terminal at the far end of a joint's core. */
    private static function far(Edge $joint, Wiring $wiring): ?string
    {
        foreach ($wiring->at($joint->from) as $edge) {
            if ($edge->kind !== EdgeKind::Conductor) {
                continue;
            }
            foreach ($wiring->at($edge->opposite($joint->from)) as $end) {
                if ($end->kind === EdgeKind::Joint) {
                    return $end->to;
                }
            }
        }

        return null;
    }
}
