<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Measure\Lean;
use Sartal\Core\Plan\Planning\Fingerprints;

/** What where a run stands is read against: all of it follows from decisions, nothing from what was done. */
final readonly class RunFacts
{
    use Lean;

    /**
     * @param  bool  $mains  whether it carries mains
     * @param  bool  $isForLater  whether an end of it is left until its connector is decided
     * @param  Fingerprints  $today  of its plan
     */
    public function __construct(
        public string $id,
        public string $code,
        public Build $build,
        public bool $withdrawn,
        public bool $mains,
        public bool $isForLater,
        public Fingerprints $today,
    ) {
    }
}
