<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Ends\Wiring\WiringEdit;

/** A bridge between two terminals of one connector, its shell included. */
final class Shorts implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        foreach ($patch->terminals as $terminals) {
            $count = count($terminals);
            for ($i = 0; $i < $count; $i++) {
                for ($j = $i + 1; $j < $count; $j++) {
                    [$one, $other] = [$terminals[$i], $terminals[$j]];
                    $kind = Node::isShell($one) || Node::isShell($other) ? FaultKind::ShellBond : FaultKind::Short;
                    $stray = new Edge(EdgeId::unwanted('stray', $one, $other), EdgeKind::Stray, $one, $other);
                    yield new Fault($kind, [$one, $other], [], new WiringEdit([$stray->id => $stray]));
                }
            }
        }
    }
}
