<?php

declare(strict_types=1);

namespace Sartal\Core\Bench;

use Sartal\Core\Catalogue\CableType;
use Sartal\Core\Installation\Run;
use Sartal\Core\Installation\School;
use Sartal\Core\Installation\Side;
use Sartal\Core\Pinout\Unused;
use Sartal\Core\Preparing\SlideOn;

/** What lies beside the vice while one end of a run is made. */
final readonly class EndSheet
{
    /**
     * @param  list<SheetFitting>  $fittings
     * @param  list<list<int>>  $alike  numbers of fittings that are made alike
     * @param  list<Unused>  $unused
     * @param  list<School>  $rules  the house's choices that bear on this end
     */
    public function __construct(
        public Run $run,
        public Side $side,
        public CableType $cable,
        public string $location,
        public array $fittings,
        public array $alike,
        public ?SlideOn $breakout,
        public array $unused,
        public array $rules,
    ) {
    }

    public function isMains(): bool
    {
        foreach ($this->fittings as $fitting) {
            if ($fitting->type->domain === \Sartal\Core\Catalogue\HazardDomain::Mains) {
                return true;
            }
        }

        return false;
    }
}
