<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;

/** A run that is still to be cut. */
final readonly class CutNeeded
{
    /**
     * @param  string  $group  runs of one group come off one reel; "" for none
     */
    public function __construct(
        public string $run,
        public string $cable,
        public Length $length,
        public string $group = '',
    ) {
    }
}
