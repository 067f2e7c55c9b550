<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Measure;

/** One line of a sum: what it is, how it was reckoned, how much, and whose rule it is. */
final readonly class Term
{
    /** @param  Edition  $since  the first that knew of it: what was done before is judged without it */
    public function __construct(
        public string $label,
        public string $detail,
        public Length $amount,
        public string $source,
        public Edition $since = Edition::First,
    ) {
    }
}
