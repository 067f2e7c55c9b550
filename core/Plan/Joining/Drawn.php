<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Joining;

use Sartal\Core\Given\Installation\Installation;

/** An installation after gestures, and which of its parts they made otherwise. */
final readonly class Drawn
{
    /**
     * @param  list<string>  $runs
     * @param  list<string>  $fittings  that came, changed or went
     * @param  list<string>  $circuits
     * @param  list<string>  $panels  that came
     * @param  bool  $connections  whether jumpers, splices, switches or what is plugged together are others
     */
    public function __construct(
        public Installation $in,
        public array $runs,
        public array $fittings,
        public array $circuits,
        public bool $connections,
        public array $panels = [],
    ) {
    }
}
