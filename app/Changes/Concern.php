<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Lineage;
use App\Planning\Loaded;
use App\Planning\StoredCards;
use Sartal\Core\Plan\Near\Shift;

/** All that a decision about a few runs has to do with, before and after: everything else stays as it is. */
final readonly class Concern
{
    /**
     * @param  list<string>  $runs  of which something may be otherwise
     * @param  list<string>  $around  those, and all that are dressed with one of them where that is another dress
     */
    public function __construct(
        public Loaded $before,
        public Loaded $after,
        private StoredCards $cards,
        private Shift $shift,
        public array $runs,
        private array $around,
    ) {
    }

    /** Brings forward what is kept, within the transaction of the decision. */
    public function bring(string $decisions): void
    {
        $stored = $this->before->stored;
        $wrong = $this->after->plan()->moreWrongThan($this->before->plan(), $this->runs) +
            $this->shift->wrongWays($this->before->installation, $this->after->installation, $this->cards);
        Lineage::add($stored, $stored->decisions, $decisions, $this->runs, $this->around, $wrong);
        $this->cards->bring($this->shift, $decisions);
    }
}
