<?php

declare(strict_types=1);

namespace Sartal\Core\Diagnosing;

use Sartal\Core\Wiring\Edge;
use Sartal\Core\Wiring\EdgeKind;
use Sartal\Core\Wiring\Edit;
use Sartal\Core\Wiring\Node;
use Sartal\Core\Wiring\Wiring;

/** Two conductors of one twist, or of none, that changed places at both ends in the same way: every contact still meets its own. */
final class MirroredSwaps implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        $through = [];
        foreach ($patch->conductors as $conductor) {
            $near = self::joint($patch->wiring, $conductor->from);
            $far = self::joint($patch->wiring, $conductor->to);
            if ($near !== null && $far !== null) {
                $through[] = [$near, $far, $conductor->twist];
            }
        }
        foreach ($through as $i => [$near, $far, $twist]) {
            foreach (array_slice($through, $i + 1) as [$otherNear, $otherFar, $otherTwist]) {
                $sameEnds = Node::fitting($near->to) === Node::fitting($otherNear->to) && Node::fitting($far->to) === Node::fitting($otherFar->to);
                $split = $twist !== null && $otherTwist !== null && $twist !== $otherTwist;
                if ($sameEnds && ! $split && $near->to !== $otherNear->to && $far->to !== $otherFar->to) {
                    yield new Fault(FaultKind::Mirrored, [$near->to, $otherNear->to, $far->to, $otherFar->to], [$near->id, $otherNear->id, $far->id, $otherFar->id], new Edit([
                        $near->id => $near->movedTo($otherNear->to), $otherNear->id => $otherNear->movedTo($near->to),
                        $far->id => $far->movedTo($otherFar->to), $otherFar->id => $otherFar->movedTo($far->to),
                    ]));
                }
            }
        }
    }

    private static function joint(Wiring $wiring, string $node): ?Edge
    {
        foreach ($wiring->at($node) as $edge) {
            if ($edge->kind === EdgeKind::Joint) {
                return $edge;
            }
        }

        return null;
    }
}
