<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Measure\Lean;

/** What was decided of a run, as far as cutting asks. */
final readonly class CutRun
{
    use Lean;

    /**
     * @param  string  $group  runs of one group come off one reel; "" for none
     * @param  bool  $found  it was there: nothing is cut for it, and its ends take no parts
     */
    public function __construct(
        public string $id,
        public string $code,
        public string $cable,
        public bool $withdrawn,
        public string $group,
        public LengthToCut $length,
        public bool $found = false,
    ) {
    }
}
