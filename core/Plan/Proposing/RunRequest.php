<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Measure\Length;

/** A run in a planner's own words: one line of the schedule, before it is unfolded into circuits, legs and fittings. */
final readonly class RunRequest
{
    /**
     * @param  string  $id  of the new run; fittings and circuits are named after it
     * @param  list<string>  $signals  signal type ids in the cable's order; the last one goes on for the rest
     * @param  list<string>  $ways
     * @param  ?int  $circuits  as many elements carry something, the first of them; null: all that can
     * @param  ?string  $sleeve  over all of it: part id, or "" for the one that goes round it
     * @param  ?Length  $length  of a loose lead, from connector to connector
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
        public ?Length $length = null,
        public ?int $circuits = null,
        public ?string $sleeve = null,
    ) {
    }
}
