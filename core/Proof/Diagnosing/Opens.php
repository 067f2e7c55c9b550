<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\WiringEdit;

/** A joint that does not hold, a conductor broken along the way, a jumper or the leg of a Y that is missing. */
final class Opens implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $joints) {
            foreach ($joints as $joint) {
                yield new Fault(FaultKind::Open, [$joint->to], [$joint->id], new WiringEdit([$joint->id => null]));
            }
        }
        foreach ($patch->conductors as $conductor) {
            yield new Fault(FaultKind::Open, [], [$conductor->id], new WiringEdit([$conductor->id => null]));
        }
        foreach ($patch->links as $link) {
            yield new Fault(
                FaultKind::Open,
                [$link->from, $link->to],
                [$link->id],
                new WiringEdit([$link->id => null]),
            );
        }
    }
}
