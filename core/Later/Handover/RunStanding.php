<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Handover;

use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Work\Pulling\SiteState;

/** Where one run stands: at each of its stages, on site, and by whose hands. */
final readonly class RunStanding
{
    /**
     * @param  bool  $withdrawn  it stays in the record, and nothing more is expected of it
     * @param  list<Bead>  $strand
     * @param  list<string>  $hands  who recorded anything on it, in the order of what the record calls them by
     * @param  ?Length  $longer  than planned it was found to be; null where nobody measured it
     */
    public function __construct(
        public bool $withdrawn,
        public array $strand,
        public SiteState $site,
        public array $hands,
        public ?Length $longer,
    ) {
    }

    /**
     * In few and short values: tens of thousands are written down and read together.
     *
     * @return array{bool, array<string, string>, SiteState, list<string>, ?Length}
     */
    public function __serialize(): array
    {
        return [$this->withdrawn, Bead::written($this->strand), $this->site, $this->hands, $this->longer];
    }

    /** @param  array{bool, array<string, string>, SiteState, list<string>, ?Length}  $data */
    public function __unserialize(array $data): void
    {
        [$this->withdrawn, , $this->site, $this->hands, $this->longer] = $data;
        $this->strand = Bead::strand($data[1]);
    }

    /** At a stage; null where it has no such stage. */
    public function at(Stage $stage): ?BeadState
    {
        foreach ($this->strand as $bead) {
            if ($bead->stage === $stage) {
                return $bead->state;
            }
        }

        return null;
    }

    /** Whether a stage is done, or there is none. */
    public function isDone(Stage $stage): bool
    {
        return ($this->at($stage) ?? BeadState::Done) === BeadState::Done;
    }

    /** @return list<Stage> that are in one of these states */
    public function in(BeadState ...$states): array
    {
        $stages = [];
        foreach ($this->strand as $bead) {
            array_push($stages, ...in_array($bead->state, $states, true) ? [$bead->stage] : []);
        }

        return $stages;
    }
}
