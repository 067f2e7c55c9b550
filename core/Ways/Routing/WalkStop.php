<?php

declare(strict_types=1);

namespace Sartal\Core\Ways\Routing;

use Sartal\Core\Given\Installation\Way;
use Sartal\Core\Given\Measure\Length;

/** A way that is measured on a walk through the building. */
final readonly class WalkStop
{
    /**
     * @param  string  $from  where one comes to it; "" where the way does not say
     * @param  ?Length  $before  that one walks to it, by lengths as they are known; null: no way leads there
     */
    public function __construct(public Way $way, public string $from, public string $to, public ?Length $before)
    {
    }
}
