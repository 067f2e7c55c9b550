<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\WiringEdit;

/** Two conductors that changed places in one connector. */
final class Swaps implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        foreach ($patch->joints as $joints) {
            $count = count($joints);
            for ($i = 0; $i < $count; $i++) {
                for ($j = $i + 1; $j < $count; $j++) {
                    if ($joints[$i]->to !== $joints[$j]->to) {
                        yield self::of($joints[$i], $joints[$j]);
                    }
                }
            }
        }
    }

    public static function of(Edge $one, Edge $other): Fault
    {
        return new Fault(
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
