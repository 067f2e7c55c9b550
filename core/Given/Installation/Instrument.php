<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Installation;

/** One test instrument of the crew's. */
final readonly class Instrument
{
    /**
     * @param  string  $number  that is written on it
     * @param  string  $calibratedTo  last day on which its calibration holds, "2026-03-31"; "" where it has none to run
     *     out
     */
    public function __construct(
        public string $id,
        public string $name,
        public InstrumentKind $kind,
        public string $number = '',
        public string $calibratedTo = '',
    ) {
    }

    /** Whether its calibration had run out at a time (RFC 3339). */
    public function isOverdue(string $at): bool
    {
        return $this->calibratedTo !== '' && substr($at, 0, 10) > $this->calibratedTo;
    }
}
