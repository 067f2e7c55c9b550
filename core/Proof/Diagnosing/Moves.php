<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\WiringEdit;

/** One conductor in another terminal than its own. */
final class Moves implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $fitting => $joints) {
            foreach ($joints as $joint) {
                foreach ($patch->terminals[$fitting] ?? [] as $terminal) {
                    if ($terminal !== $joint->to) {
                        yield self::of($joint, $terminal);
                    }
                }
            }
        }
    }

    public static function of(Edge $joint, string $terminal): Fault
    {
        return new Fault(
            FaultKind::Move,
            [$joint->to, $terminal],
            [$joint->id],
            new WiringEdit([$joint->id => $joint->movedTo($terminal)]),
        );
    }
}
