<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\Build;

/** A run in a planner's own words: one line of the schedule, before it is unfolded into circuits, legs and fittings. */
final readonly class RunRequest
{
    /**
     * @param  string  $id  of the new run; fittings and circuits are named after it
     * @param  list<string>  $signals  signal type ids in the cable's order; the last one goes on for the rest
     * @param  list<string>  $ways
     */
    public function __construct(
        public string $id,
        public string $code,
        public string $cable,
        public array $signals,
        public Build $build,
        public Termination $a,
        public Termination $b,
        public array $ways,
        public ?string $loom = null,
        public string $note = '',
    ) {
    }
}
