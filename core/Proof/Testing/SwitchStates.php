<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeId;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Ends\Wiring\WiringEdit;
use Sartal\Core\Given\Installation\Installation;

/**
 * The states that are each a test: the baseline, then each switch operated
 * alone. All combinations would say no more and take 2^n tests.
 */
final class SwitchStates
{
    /** @return non-empty-list<SwitchState> */
    public static function in(Wiring $wiring, Installation $installation): array
    {
        $edges = [];
        $names = [];
        foreach ($wiring->edges as $edge) {
            if ($edge->kind !== EdgeKind::Switch) {
                continue;
            }
            $id = self::switchOf($edge);
            $panel = EdgeId::panelSwitchOf($edge->id);
            [$fitting, $name] = EdgeId::switchOf($edge->id);
            $edges[$id][$edge->id] = $edge->operated(! $edge->closed);
            $names[$id] =
                $panel !== null
                    ? $installation->switch($panel)->name ?? $panel
                    : trim(($installation->fitting($fitting)->label ?? $fitting).' '.$name);
        }
        $states = [new SwitchState('', 'at rest', WiringEdit::nothing())];
        foreach ($edges as $id => $operated) {
            $states[] = new SwitchState((string) $id, $names[$id].' operated', new WiringEdit($operated));
        }

        return $states;
    }

    /** The switch that an edge belongs to: one of a panel, or one in a connector, whose contacts move together. */
    public static function switchOf(Edge $edge): string
    {
        return EdgeId::panelSwitchOf($edge->id) === null ? EdgeId::together($edge->id) : $edge->id;
    }
}
