<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Installation\JacketMarks;
use Sartal\Core\Given\Measure\Length;

/**
 * Cable that a cut can come off: what is left of a reel, an offcut, a piece that was cut wrong, or a reel to be bought.
 */
final readonly class Stock
{
    /**
     * @param  Length  $left  on it now
     * @param  ?JacketMarks  $marks  at its free end now
     * @param  Length  $gone  cut off it already
     */
    public function __construct(
        public string $id,
        public string $name,
        public string $cable,
        public Length $left,
        public StockKind $kind,
        public ?JacketMarks $marks,
        public Length $gone,
    ) {
    }
}
