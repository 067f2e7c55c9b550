<?php

declare(strict_types=1);

namespace Sartal\Core\Ends\Making;

use Sartal\Core\Given\Catalogue\HazardDomain;
use Sartal\Core\Given\Catalogue\Procedures\MakingProcedure;

/** A leg of an end that is opened, and what it is made for. */
final readonly class LegStation
{
    /**
     * @param  string  $element  path in the cable's construction
     * @param  bool  $isFarFinished  the same leg is finished at the cable's other end
     */
    public function __construct(
        public string $element,
        public HazardDomain $carries,
        public MakingProcedure $procedure,
        public Station $station,
        public bool $isFarFinished = false,
    ) {
    }
}
