<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Measure\Lean;

/** What only whoever looks at a job again has to know of it. */
final readonly class JobPast
{
    use Lean;

    /**
     * @param  array<int|string, list<float>>  $took  timing → min for one, as they were measured
     * @param  array<int|string, string>  $families  fitting → family of its connector
     * @param  list<string>  $tools  that its steps name
     */
    public function __construct(
        public array $took,
        public array $families,
        public array $tools,
        public JobTally $tally = new JobTally(),
    ) {
    }
}
