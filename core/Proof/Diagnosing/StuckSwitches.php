<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\WiringEdit;

/** A switch that stays where it is, at rest or operated; or one of its contacts alone. */
final class StuckSwitches implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        foreach ($patch->switches as $edges) {
            foreach (
                count($edges) > 1
                    ? [$edges, ...array_map(static fn (Edge $edge): array => [$edge], $edges)]
                    : [$edges] as $stuck
            ) {
                foreach ([0, 1] as $operated) {
                    $edit = [];
                    foreach ($stuck as $edge) {
                        $edit[$edge->id] = $edge->operated($operated === 1 ? ! $edge->closed : $edge->closed);
                    }
                    yield new Fault(
                        FaultKind::Stuck,
                        [$stuck[0]->from, $stuck[0]->to],
                        array_map(strval(...), array_keys($edit)),
                        new WiringEdit($edit),
                        $operated,
                    );
                }
            }
        }
    }
}
