<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Of rework: why, what is done again and what that throws away. */
final readonly class SentBack implements Particulars
{
    /**
     * @param  list<string>  $reopens  operations that it goes back to
     * @param  array<int|string, int>  $scraps  part or connector → how many it costs
     * @param  array<int|string, string>  $flaws  what was found → what becomes of it
     * @param  string  $test  id of the test that showed it; "" where somebody saw it
     */
    public function __construct(
        public array $reopens = [],
        public array $scraps = [],
        public array $flaws = [],
        public string $test = '',
    ) {
    }
}
