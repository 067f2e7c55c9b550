<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Ends\Wiring\Edge;
use Sartal\Core\Ends\Wiring\EdgeKind;
use Sartal\Core\Ends\Wiring\Edit;
use Sartal\Core\Ends\Wiring\Wiring;
use Sartal\Core\Given\Installation\Installation;

/**
 * The states that are each a test: the baseline, then each switch operated
 * alone. All combinations would say no more and take 2^n tests.
 */
final class SwitchStates
{
    /** @return non-empty-list<SwitchState> */
    public static function of(Wiring $wiring, Installation $installation): array
    {
        $edges = [];
        $names = [];
        foreach ($wiring->edges as $edge) {
            if ($edge->kind !== EdgeKind::Switch) {
                continue;
            }
            $parts = explode(':', $edge->id);
            $id = self::switchOf($edge);
            $edges[$id][$edge->id] = $edge->operated(! $edge->closed);
            $names[$id] =
                $parts[0] === 'p'
                    ? $installation->switches[$parts[1]]->name ?? $parts[1]
                    : trim(($installation->fittings[$parts[1]]->label ?? $parts[1]).' '.($parts[2] ?? ''));
        }
        $states = [new SwitchState('', 'at rest', Edit::nothing())];
        foreach ($edges as $id => $operated) {
            $states[] = new SwitchState((string) $id, $names[$id].' operated', new Edit($operated));
        }

        return $states;
    }

    /** The switch that an edge belongs to: "p:<panel switch>", or "w:<fitting>:<its switch>:<state>:<contact>", whose contacts move together. */
    public static function switchOf(Edge $edge): string
    {
        $parts = explode(':', $edge->id);

        return $parts[0] === 'p' ? $edge->id : implode(':', array_slice($parts, 0, 3));
    }
}
