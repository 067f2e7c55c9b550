<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

use Sartal\Core\Given\Measure\Length;

/** Cable in stock: a reel, or an offcut of one. */
final readonly class Reel
{
    /**
     * @param  string  $cable  cable type id
     * @param  Length  $length  on it when it was entered, before any recorded cut
     * @param  ?JacketMarks  $marks  null where the jacket has none
     */
    public function __construct(
        public string $id,
        public string $cable,
        public Length $length,
        public bool $offcut = false,
        public ?JacketMarks $marks = null,
        public string $note = '',
    ) {
    }
}
