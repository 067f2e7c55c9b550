<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Measure\Length;

/** A length that some of the cores, or of the tails, are cut to. */
final readonly class CutTo
{
    /**
     * @param  string  $for  which, in words
     * @param  ?Length  $most  where they lie between two lengths
     * @param  list<string>  $of  which: conductors, or legs by id
     */
    public function __construct(
        public Length $length,
        public string $for,
        public ?Length $most = null,
        public array $of = [],
    ) {
    }
}
