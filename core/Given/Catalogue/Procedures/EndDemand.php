<?php

declare(strict_types=1);

namespace Sartal\Core\Given\Catalogue\Procedures;

use Sartal\Core\Given\Measure\Length;

/** What a connector demands of a finished end: a length of each of some pieces, within a range, and how it lies. */
final readonly class EndDemand
{
    /**
     * @param  string  $name  what is demanded, in words: "sheath within the clamp"
     * @param  DemandOf  $what  the length that is looked at
     * @param  string  $defect  what it is called where it is not so
     * @param  ?Lie  $lies  how it has to lie; null: as it may
     * @param  Under  $under  only where the house has it so
     */
    public function __construct(
        public string $name,
        public DemandOf $what,
        public Selector $of,
        public Length $least,
        public Length $most,
        public string $defect = '',
        public ?Lie $lies = null,
        public Under $under = new Under(),
    ) {
    }
}
