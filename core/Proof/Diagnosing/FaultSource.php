<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

/** A family of faults: every one of its kind that could be in a patch of wiring. */
interface FaultSource
{
    /** @return iterable<Fault> */
    public function in(Patch $patch): iterable;
}
