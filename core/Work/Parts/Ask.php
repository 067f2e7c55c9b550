<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Sartal\Core\Given\Measure\Lean;

/** Something that one place of the work needs. Below nothing: it gives it back. */
final readonly class Ask
{
    use Lean;

    /**
     * @param  string  $id  of the cable, connector or part
     * @param  float  $amount  pieces; metres of what is sold by length
     * @param  string  $run  "" for what serves several
     * @param  string  $for  in words: "M-201 end A, Split in 3"
     */
    public function __construct(
        public Sort $sort,
        public string $id,
        public float $amount,
        public string $run,
        public string $for,
    ) {
    }
}
