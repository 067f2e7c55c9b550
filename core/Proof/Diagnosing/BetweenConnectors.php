<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/**
 * What goes wrong between the connectors of one end, where a cable ends in several: two conductors exchanged across
 * them, and one that went into the neighbour.
 */
final readonly class BetweenConnectors implements FaultSource
{
    public function __construct(private FaultPlaces $places)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $fitting => $joints) {
            foreach ($patch->terminals as $other => $terminals) {
                if ($fitting === $other || ! $this->places->areOfOneEnd($fitting, $other)) {
                    continue;
                }
                // Each two exchange once.
                $others = strcmp((string) $fitting, (string) $other) < 0 ? $patch->joints[$other] ?? [] : [];
                foreach ($joints as $joint) {
                    foreach ($terminals as $terminal) {
                        yield Moves::of($joint, $terminal);
                    }
                    foreach ($others as $with) {
                        yield Swaps::of($joint, $with);
                    }
                }
            }
        }
    }
}
