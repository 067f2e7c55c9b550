<?php

declare(strict_types=1);

namespace Sartal\Core\Reach;

use Sartal\Core\Catalogue\ReachRule;

/** One kind of limit. */
interface Rule
{
    public function judge(Line $line, ReachRule $rule): Reach;
}
