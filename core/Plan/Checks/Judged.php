<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Checks;

use Sartal\Core\Ends\Compatibility\Misfit;

/** How a leg fits a connector, found once for all that are alike. */
final readonly class Judged
{
    /** @param  list<Misfit>  $misfits */
    public function __construct(public array $misfits)
    {
    }
}
