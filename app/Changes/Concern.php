<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Lineage;
use App\Planning\Loaded;
use App\Planning\StoredCards;
use Sartal\Core\Plan\Near\RunCard;

/** All that a decision about a few runs has to do with, before and after: everything else stays as it is. */
final readonly class Concern
{
    /**
     * @param  array<int|string, RunCard>  $was  of the runs that it changes, by run; without those that are new
     * @param  array<int|string, RunCard>  $is  the same since; without those that are gone
     * @param  array<array-key, string>  $clashes  texts of labels since → what they read upside down
     * @param  list<string>  $runs  of which something may be otherwise
     */
    public function __construct(
        public Loaded $before,
        public Loaded $after,
        private StoredCards $cards,
        private array $was,
        private array $is,
        private array $clashes,
        public array $runs,
    ) {
    }

    /** Brings forward what is kept, within the transaction of the decision. */
    public function bring(string $decisions): void
    {
        $stored = $this->before->stored;
        Lineage::add($stored, $stored->decisions, $decisions, $this->runs);
        $this->cards->bring($this->was, $this->is, $this->clashes, $decisions);
    }
}
