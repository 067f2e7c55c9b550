<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Ends\Opening\OpenedEnd;
use Sartal\Core\Ends\Pinout\Unused;
use Sartal\Core\Ends\Preparing\SlideOn;
use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Schools\School;

/** What lies beside the vice while one end of a run is made. */
final readonly class EndSheet
{
    /**
     * @param  list<SheetFitting>  $fittings
     * @param  list<list<int>>  $alike  numbers of fittings that are made alike
     * @param  list<Unused>  $unused
     * @param  list<RuleInForce>  $rules  that bear on this end
     * @param  ?OpenedEnd  $opened  before its legs are made; null where nothing says how
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
        public ?OpenedEnd $opened = null,
    ) {
    }

    public function follows(School $answer): bool
    {
        foreach ($this->rules as $rule) {
            if ($rule->answer === $answer) {
                return true;
            }
        }

        return false;
    }

    public function isMains(): bool
    {
        foreach ($this->fittings as $fitting) {
            if ($fitting->isMains()) {
                return true;
            }
        }

        return false;
    }
}
