<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\WiringEdit;

/** Two whole connectors of one end that are loaded alike, each with what belongs in the other; or their labels. */
final readonly class ExchangedConnectors implements FaultSource
{
    public function __construct(private FaultPlaces $places)
    {
    }

    public function in(Patch $patch): iterable
    {
        $fittings = array_map(strval(...), array_keys($patch->joints));
        foreach ($fittings as $i => $one) {
            foreach (array_slice($fittings, $i + 1) as $other) {
                if ($this->places->areOfOneEnd($one, $other)) {
                    yield from $this->exchanged($one, $patch->joints[$one], $other, $patch->joints[$other]);
                }
            }
        }
    }

    /**
     * @param  list<Edge>  $joints
     * @param  list<Edge>  $others
     * @return iterable<Fault>
     */
    private function exchanged(string $one, array $joints, string $other, array $others): iterable
    {
        // One contact is a swap, and what is loaded otherwise cannot be taken for the other.
        if (count($joints) < 2 || $this->addresses($joints) !== $this->addresses($others)) {
            return;
        }
        $edges = [];
        foreach ([[$joints, $other], [$others, $one]] as [$of, $into]) {
            foreach ($of as $joint) {
                $edges[$joint->id] = $joint->movedTo(Node::terminal($into, Node::address($joint->to)));
            }
        }
        yield new Fault(
            FaultKind::Exchanged,
            [$joints[0]->to, $others[0]->to],
            array_map(strval(...), array_keys($edges)),
            new WiringEdit($edges),
        );
    }

    /**
     * @param  list<Edge>  $joints
     * @return list<string>
     */
    private function addresses(array $joints): array
    {
        $at = array_map(static fn (Edge $edge): string => Node::address($edge->to), $joints);
        sort($at);

        return $at;
    }
}
