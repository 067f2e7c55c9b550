<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Measure\Length;

/** The piece of cable that a run is made of, against what its plan asks for. */
final readonly class CutPiece
{
    /**
     * @param  string  $made  id of the event that cut it
     * @param  Length  $length  of it
     * @param  Length  $needed  by the plan, before it is rounded up
     * @param  Length  $planned  that it would be cut at today
     * @param  Length  $reserve  service slack and spare length that may be used up
     * @param  bool  $free  nothing but its ends was marked yet: another run can have it
     * @param  bool  $known  somebody wrote its length down; else it is the one that was planned
     */
    public function __construct(
        public string $run,
        public string $code,
        public string $cable,
        public string $made,
        public Length $length,
        public Length $needed,
        public Length $planned,
        public Length $reserve,
        public bool $free,
        public bool $known,
    ) {
    }

    public function serves(self $other): bool
    {
        return $this->length->compare($other->needed) >= 0;
    }

    /** Whether it serves where slack is used up. */
    public function servesAtAPinch(self $other): bool
    {
        return $this->length->plus($other->reserve)->compare($other->needed) >= 0;
    }
}
