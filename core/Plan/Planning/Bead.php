<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

/** A stage of a run, and how it stands: one object for each of the few that there are. */
final readonly class Bead
{
    private function __construct(public Stage $stage, public BeadState $state)
    {
    }

    public static function of(Stage $stage, BeadState $state): self
    {
        /** @var array<string, array<string, self>> $all */
        static $all = [];

        return $all[$stage->value][$state->value] ??= new self($stage, $state);
    }

    /**
     * In short, for what is written down of thousands of runs.
     *
     * @param  list<self>  $strand
     * @return array<string, string> stage → state
     */
    public static function written(array $strand): array
    {
        $written = [];
        foreach ($strand as $bead) {
            $written[$bead->stage->value] = $bead->state->value;
        }

        return $written;
    }

    /**
     * @param  array<string, string>  $written
     * @return list<self>
     */
    public static function strand(array $written): array
    {
        $strand = [];
        foreach ($written as $stage => $state) {
            $strand[] = self::of(Stage::from($stage), BeadState::from($state));
        }

        return $strand;
    }
}
