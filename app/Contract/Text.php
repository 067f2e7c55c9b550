<?php

declare(strict_types=1);

namespace App\Contract;

use Attribute;

/** What may be in a field of text. */
#[Attribute(Attribute::TARGET_PARAMETER)]
final readonly class Text
{
    /**
     * @param  int  $max  characters
     * @param  int  $min  characters, once blanks at either end are gone
     * @param  string  $pattern  a regular expression without delimiters that all of it matches; "": anything
     * @param  string  $remedy  what to do where it is missing or no such text; "": a sentence made of the rest
     * @param  bool  $secret  what was written is never said again
     * @param  bool  $lines  lines and tabs are part of it
     */
    public function __construct(
        public int $max = 200,
        public int $min = 1,
        public string $pattern = '',
        public string $remedy = '',
        public bool $secret = false,
        public bool $lines = false,
    ) {
    }
}
