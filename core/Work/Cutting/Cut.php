<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Length;

/** One cut of the plan. */
final readonly class Cut
{
    /**
     * @param  ?float  $from  jacket mark at its first end; null where the jacket has none
     */
    public function __construct(
        public string $run,
        public Length $length,
        public Length $at,
        public ?float $from,
        public ?float $to,
    ) {
    }
}
