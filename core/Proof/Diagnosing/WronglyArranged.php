<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\WiringEdit;

/** Whole connectors loaded by one misunderstanding: each is one cause, however many cores it misplaces. */
final readonly class WronglyArranged implements FaultSource
{
    public function __construct(private FaultPlaces $places)
    {
    }

    public function in(Patch $patch): iterable
    {
        foreach (array_keys($patch->joints) as $fitting) {
            foreach ($this->places->arrangements[$fitting] ?? [] as $arrangement) {
                $edges = $nodes = [];
                foreach ($arrangement->to as $id => $terminal) {
                    $joint = $patch->wiring->edges[$id] ?? null;
                    if ($joint === null) {
                        continue 2;
                    }
                    $edges[$id] = $joint->movedTo($terminal);
                    $nodes[] = $joint->to;
                }
                yield new Fault(
                    $arrangement->kind,
                    $nodes,
                    array_map(strval(...), array_keys($edges)),
                    new WiringEdit($edges),
                );
            }
        }
    }
}
