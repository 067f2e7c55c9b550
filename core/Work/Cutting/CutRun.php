<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Lean;

/** What was decided of a run, as far as cutting asks. */
final readonly class CutRun
{
    use Lean;

    /** @param  string  $group  runs of one group come off one reel; "" for none */
    public function __construct(
        public string $id,
        public string $code,
        public string $cable,
        public bool $withdrawn,
        public string $group,
        public LengthToCut $length,
    ) {
    }
}
