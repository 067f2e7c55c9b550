<?php

declare(strict_types=1);

namespace App\Formats\Import;

use Sartal\Core\Plan\Importing\Kind;

/** Words that stand in cells for something that is not called so here, and what they are taken for. */
final class ReadWord
{
    public int $rows = 0;

    /**
     * @param  string  $taken  id, "+" where it will be made, "-" where it is left out, "" where nobody can say
     * @param  bool  $isSaid  by whoever imports; else it is guessed, or as an earlier import had it
     * @param  string  $because  which of the two, and what it is guessed from
     * @param  list<string>  $instead  ids
     */
    public function __construct(
        public readonly Kind $kind,
        public readonly string $words,
        public readonly string $taken,
        public readonly bool $isSaid,
        public readonly string $because,
        public readonly array $instead,
    ) {
    }
}
