<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Progress;

use Sartal\Core\Later\Handover\RunStanding;
use Sartal\Core\Plan\Planning\BeadState;

/** How far the runs of a loom, a place or a kind of cable have come, stage by stage. */
final class GroupTally
{
    private int $runs = 0;

    /** @var array<int|string, array<string, int>> stage → state → runs; plain numbers, for thousands are counted */
    private array $counts = [];

    public function __construct(public readonly string $name)
    {
    }

    /** One more run; one that is withdrawn is none of it: nothing more is expected of it. */
    public function add(RunStanding $run): void
    {
        if ($run->withdrawn) {
            return;
        }
        $this->runs++;
        foreach ($run->strand as $bead) {
            $states = &$this->counts[$bead->stage->value];
            $states[$bead->state->value] = ($states[$bead->state->value] ?? 0) + 1;
        }
    }

    public function runs(): int
    {
        return $this->runs;
    }

    /** @return array<int|string, StageTally> by {@see \Sartal\Core\Plan\Planning\Stage}; no run of it has others */
    public function stages(): array
    {
        return array_map(static fn (array $states): StageTally => new StageTally(
            array_sum($states),
            $states[BeadState::Done->value] ?? 0,
            $states[BeadState::Failed->value] ?? 0,
            $states[BeadState::Overtaken->value] ?? 0,
        ), $this->counts);
    }
}
