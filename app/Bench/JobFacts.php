<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Measure\Lean;

/** What a list has to know of a job, and what follows from decisions alone. */
final readonly class JobFacts
{
    use Lean;

    /**
     * @param  list<string>  $codes  of its runs
     * @param  list<string>  $cables  ids of the types that its runs are made of
     * @param  int  $count  operations
     * @param  string  $alike  the same for jobs that are made by the same steps
     */
    public function __construct(
        public array $codes,
        public string $cable,
        public array $cables,
        public string $from,
        public string $to,
        public string $loom,
        public string $loomId,
        public Build $build,
        public int $count,
        public string $alike,
    ) {
    }
}
