<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

/** What a fault on certain functions does to the signal, in words. */
final readonly class Consequence
{
    /**
     * @param  string  $fault  "open", "short", "swap", "split", "crossed" or "any"
     * @param  list<string>  $functions  all of them involved; empty: whichever
     */
    public function __construct(public string $fault, public array $functions, public string $words)
    {
    }
}
