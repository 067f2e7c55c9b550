<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Compatibility;

/** One question that is asked of a leg in a connector. */
interface FitRule
{
    /** @return iterable<Misfit> */
    public function misfits(LegFit $fit): iterable;
}
