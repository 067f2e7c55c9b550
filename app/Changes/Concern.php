<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Lineage;
use App\Planning\Loaded;
use App\Planning\StoredCards;
use Sartal\Core\Plan\Near\Rest;
use Sartal\Core\Plan\Near\Shift;

/** All that a decision about a few runs has to do with, before and after: everything else stays as it is. */
final readonly class Concern
{
    /**
     * @param  list<string>  $runs  of which something may be otherwise
     * @param  list<string>  $around  those, and all that are dressed with one of them where that is another dress
     * @param  bool  $isInWays  whether it is known what lies in ways
     */
    public function __construct(
        public Loaded $before,
        public Loaded $after,
        private StoredCards $cards,
        private Shift $shift,
        public array $runs,
        private array $around,
        private bool $isInWays = false,
    ) {
    }

    /** The same, with what lies in ways. */
    public function inWays(): self
    {
        [$before, $after] = [$this->before, $this->after];
        if ($this->isInWays) {
            return $this;
        }
        $rest = new Rest($this->cards->lying());

        return new self(
            $before->seeing($before->beyond?->lying($rest)),
            $after->seeing($after->beyond?->lying($rest, $this->shift->gone())),
            $this->cards,
            $this->shift,
            $this->runs,
            $this->around,
            true,
        );
    }

    /** Brings forward what is kept, within the transaction of the decision. */
    public function bring(string $decisions): void
    {
        $stored = $this->before->stored;
        $wrong = $this->after->plan()->moreWrongThan($this->before->plan(), $this->runs);
        $wrong += $this->isInWays
            ? 0
            : $this->shift->wrongWays($this->before->installation, $this->after->installation, $this->cards);
        Lineage::add($stored, $stored->decisions, $decisions, $this->runs, $this->around, $wrong);
        $this->cards->bring($this->shift, $decisions);
    }
}
