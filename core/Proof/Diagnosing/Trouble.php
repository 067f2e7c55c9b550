<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Diagnosing;

use Sartal\Core\Proof\Testing\Sample;

/** A part of a wrong reading that stands apart from the rest, and what would explain it. */
final readonly class Trouble
{
    /**
     * @param  list<string>  $lines  probed nodes that read wrong
     * @param  list<string>  $pairs  ids of pairs that read wrong
     * @param  list<Sample>  $wrong  what other methods showed wrong
     * @param  list<Cause>  $causes  all that read the same, likeliest first; empty where nothing fits
     * @param  ?Partly  $partly  where nothing fits: what comes nearest
     */
    public function __construct(
        public array $lines,
        public array $pairs,
        public array $wrong,
        public array $causes,
        public ?Partly $partly = null,
    ) {
    }
}
