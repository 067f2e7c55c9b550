<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/**
 * Two conductors of one twist, or of none, that changed places at both ends in the same way: every contact still meets
 * its own.
 */
final class MirroredSwaps implements FaultSource
{
    public function in(Patch $patch): iterable
    {
        foreach (BothEnds::in($patch) as $two) {
            if (! $two->isOfTwoTwists() && $two->isApart()) {
                yield $two->exchanged(FaultKind::Mirrored);
            }
        }
    }
}
