<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Installation\Side;

/** What the ends of runs take, whatever is done of them: follows from decisions alone. */
interface EndAsks
{
    /** @return list<Ask> what several ends share is asked for by the first that was asked about */
    public function of(string $run, Side $side): array;
}
