<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\WiringEdit;

/**
 * What goes wrong between the connectors of one end, where a cable ends in several: two conductors exchanged across
 * them, and one that went into the neighbour.
 */
final readonly class BetweenConnectors implements FaultSource
{
    /** @param  array<int|string, string>  $ends  fitting → the end that it is of */
    public function __construct(private array $ends)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $fitting => $joints) {
            foreach ($patch->terminals as $other => $terminals) {
                if ($fitting === $other || ! $this->areOfOneEnd($fitting, $other)) {
                    continue;
                }
                if (strcmp((string) $fitting, (string) $other) < 0) {
                    yield from $this->swaps($joints, $patch->joints[$other] ?? []);
                }
                foreach ($joints as $joint) {
                    foreach ($terminals as $terminal) {
                        yield new Fault(
                            FaultKind::Move,
                            [$joint->to, $terminal],
                            [$joint->id],
                            new WiringEdit([$joint->id => $joint->movedTo($terminal)]),
                        );
                    }
                }
            }
        }
    }

    private function areOfOneEnd(int|string $one, int|string $other): bool
    {
        return ($this->ends[$one] ?? $one) === ($this->ends[$other] ?? $other);
    }

    /**
     * @param  list<Edge>  $joints
     * @param  list<Edge>  $others
     * @return iterable<Fault>
     */
    private function swaps(array $joints, array $others): iterable
    {
        foreach ($joints as $one) {
            foreach ($others as $other) {
                yield new Fault(
                    FaultKind::Swap,
                    [$one->to, $other->to],
                    [$one->id, $other->id],
                    new WiringEdit([
                        $one->id => $one->movedTo($other->to),
                        $other->id => $other->movedTo($one->to),
                    ]),
                );
            }
        }
    }
}
