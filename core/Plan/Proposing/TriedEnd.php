<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Proposing;

use Sartal\Core\Ends\Making\MadeEnd;
use Sartal\Core\Given\Catalogue\CableType;

/** An end on which a procedure was tried. */
final readonly class TriedEnd
{
    /**
     * @param  string  $name  "A-118 end B", or "Screened pair, foil → 3-pole female, cable"
     * @param  bool  $isHere  of a run of the installation; else proposed to try it on
     */
    public function __construct(
        public string $name,
        public CableType $cable,
        public MadeEnd $made,
        public bool $isHere,
    ) {
    }
}
