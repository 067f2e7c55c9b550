<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;

/** One way of a route, in the direction from end A to end B. */
final readonly class Hop
{
    /** @param  string  $from  location or junction id; "" where the way does not say */
    public function __construct(public Way $way, public string $from, public string $to)
    {
    }
}
