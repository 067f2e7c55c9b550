<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Reach;

use Sartal\Core\Given\Catalogue\ReachRule;

/** One kind of limit. */
interface ReachLimit
{
    public function judge(SignalLine $line, ReachRule $rule): Reach;
}
