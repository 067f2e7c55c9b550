<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\Side;

/** Where on the bench something is done, and to whose record it is written. */
final readonly class Spot
{
    /**
     * @param  string  $leg  "" for the connector itself
     * @param  string  $place  as it is said: "M-202 end B, tail 7"
     * @param  list<string>  $with  further runs that it is done to
     */
    public function __construct(
        public string $run,
        public Side $side,
        public string $fitting,
        public string $leg,
        public string $place,
        public array $with = [],
    ) {
    }
}
