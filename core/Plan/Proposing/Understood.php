<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

/** One thing that a quick line was taken to say, and whether it was said or filled in. */
final readonly class Understood
{
    /**
     * @param  string  $because  of what was filled in, what that is guessed from
     * @param  string  $instead  what it would have been next; "" where there is nothing else
     */
    public function __construct(
        public string $what,
        public string $took,
        public bool $said,
        public string $because = '',
        public string $instead = '',
    ) {
    }
}
