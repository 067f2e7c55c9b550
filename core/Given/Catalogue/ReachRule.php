<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue;

use Sartal\Core\Given\Measure\Length;

/** How far a signal goes: which limit, and its figures. What does not apply to a kind is left out. */
final readonly class ReachRule
{
    /**
     * @param  string  $source  of the rule
     * @param  ?Length  $most  of a bus
     * @param  ?float  $decibels  loss allowed, of a loudspeaker line
     * @param  ?float  $share  per cent of the limit that is planned to
     * @param  ?float  $picofarads  in all
     * @param  ?float  $ohms  of the usual source, or of the usual load of a loudspeaker
     * @param  ?float  $kilohertz  that a corner must stay above
     * @param  ?float  $volts  of the usual supply
     * @param  ?float  $percent  of it that may be lost
     */
    public function __construct(
        public ReachKind $kind,
        public string $source,
        public ?Length $most = null,
        public ?float $decibels = null,
        public ?float $share = null,
        public ?float $picofarads = null,
        public ?float $ohms = null,
        public ?float $kilohertz = null,
        public ?float $volts = null,
        public ?float $percent = null,
    ) {
    }
}
