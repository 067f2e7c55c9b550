<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Given\Measure\Worked;

/** How much longer one way may become before one run's piece no longer reaches. */
final readonly class Leeway
{
    /**
     * @param  string  $way  way id
     * @param  Worked  $margin  what the piece has beyond what it needs; below nothing: what it lacks
     * @param  Length  $before  that the way may grow before the piece is too short
     * @param  Length  $atMost  that it may grow where service slack and spares are used up
     */
    public function __construct(
        public string $way,
        public string $run,
        public string $code,
        public Worked $margin,
        public Length $before,
        public Length $atMost,
    ) {
    }
}
