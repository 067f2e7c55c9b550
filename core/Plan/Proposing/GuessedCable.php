<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Catalogue\CableType;

/** A cable that was guessed, and how many of it, with what that is guessed from. */
final readonly class GuessedCable
{
    /**
     * @param  int  $many  cables of it: one for all lines, or one for each
     * @param  string  $instead  what it would have been next; "" where there is nothing else
     */
    public function __construct(
        public CableType $cable,
        public int $many,
        public string $because,
        public string $instead,
    ) {
    }
}
