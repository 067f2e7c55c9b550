<?php

declare(strict_types=1);

namespace App\Changes;

use App\Planning\Lineage;
use App\Planning\Loaded;
use App\Planning\StoredCards;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Plan\Near\RunCard;
use Sartal\Core\Plan\Near\WrongWays;

/** All that a decision about a few runs has to do with, before and after: everything else stays as it is. */
final readonly class Concern
{
    /**
     * @param  array<int|string, RunCard>  $was  of the runs that it changes, by run; without those that are new
     * @param  array<int|string, RunCard>  $is  the same since; without those that are gone
     * @param  array<array-key, string>  $clashes  texts of labels since → what they read upside down
     * @param  list<string>  $runs  of which something may be otherwise
     * @param  list<string>  $around  those, and all that are dressed with one of them where that is another dress
     */
    public function __construct(
        public Loaded $before,
        public Loaded $after,
        private StoredCards $cards,
        private array $was,
        private array $is,
        private array $clashes,
        public array $runs,
        private array $around,
    ) {
    }

    /** By how much more is wrong since, and not only noted: of the ways in which they lie, and of everything else. */
    private function wrong(): int
    {
        [$was, $is] = [$this->before->plan(), $this->after->plan()];
        $ways = [];
        foreach ([...array_values($this->was), ...array_values($this->is)] as $card) {
            $ways += array_fill_keys($card->ways, true);
        }
        $ways = array_map(strval(...), array_keys($ways));
        $lie = static fn (RunCard $card): array => [$card->cable, $card->ways];
        // Where they lie as they did, what else lies there does not matter.
        $others = array_map($lie, $this->was) == array_map($lie, $this->is)
            ? []
            : $this->cards->cables($ways, array_map(strval(...), array_keys($this->was + $this->is)));

        return self::weigh($is->judgedBeside($was, $this->runs)) -
            self::weigh($was->judgedBeside($is, $this->runs)) +
            (new WrongWays($this->after->installation))->count($ways, $others, $this->is) -
            (new WrongWays($this->before->installation))->count($ways, $others, $this->was);
    }

    /** @param  list<Finding>  $findings */
    private static function weigh(array $findings): int
    {
        return count(
            array_filter($findings, static fn (Finding $finding): bool => $finding->severity !== Severity::Note),
        );
    }

    /** Brings forward what is kept, within the transaction of the decision. */
    public function bring(string $decisions): void
    {
        $stored = $this->before->stored;
        Lineage::add($stored, $stored->decisions, $decisions, $this->runs, $this->around, $this->wrong());
        $this->cards->bring($this->was, $this->is, $this->clashes, $decisions);
    }
}
