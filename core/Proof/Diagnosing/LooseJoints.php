<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\WiringEdit;

/** A joint that conducts and lets go when it is moved; a conductor that is broken inside its insulation. */
final class LooseJoints implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $joints) {
            foreach ($joints as $joint) {
                yield new Fault(
                    FaultKind::Loose,
                    [$joint->to],
                    [$joint->id],
                    new WiringEdit([$joint->id => $joint->loosened()]),
                );
            }
        }
        foreach ($patch->conductors as $conductor) {
            yield new Fault(
                FaultKind::Loose,
                [],
                [$conductor->id],
                new WiringEdit([$conductor->id => $conductor->loosened()]),
            );
        }
    }
}
