<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Cutting;

use Sartal\Core\Given\Catalogue\CableType;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Reel;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Measure\Length;
use Sartal\Core\Plan\Planning\Plan;

/** What was decided, as far as cutting asks: how long every run is to be, and what there is to cut it from. */
final readonly class CutFacts
{
    /**
     * @param  array<int|string, CutRun>  $runs  by id
     * @param  array<int|string, CableType>  $cables  of which there are runs or reels, by id
     * @param  array<int|string, Reel>  $reels  by id
     * @param  Length  $usable  what is shorter is thrown away
     * @param  Length  $margin  that stays on every reel
     */
    public function __construct(
        public array $runs,
        public array $cables,
        public array $reels,
        public Length $usable,
        public Length $margin,
    ) {
    }

    public static function of(Installation $installation, Plan $plan): self
    {
        return self::with(
            $installation,
            array_map(
                static fn (Run $run): CutRun => self::run($run, $installation, LengthToCut::of($plan->cut($run->id))),
                $installation->runs(),
            ),
        );
    }

    /**
     * What there is to cut from, and runs that somebody knows already.
     *
     * @param  array<int|string, CutRun>  $runs  by id
     */
    public static function with(Installation $installation, array $runs): self
    {
        $cables = [];
        foreach ([...array_values($runs), ...array_values($installation->reels())] as $of) {
            $cables[$of->cable] = $installation->catalogue->cable($of->cable);
        }
        $rules = $installation->rules();

        return new self(
            $runs,
            array_filter($cables, static fn (?CableType $type): bool => $type !== null),
            $installation->reels(),
            $rules->usable,
            $rules->reelMargin,
        );
    }

    public static function run(Run $run, Installation $installation, LengthToCut $length): CutRun
    {
        $loom = $installation->loom($run->loom ?? '');

        return new CutRun(
            $run->id,
            $run->code,
            $run->cable,
            $run->withdrawn,
            $loom !== null && $loom->oneReel ? $loom->id : '',
            $length,
            $run->build === Build::Found,
        );
    }

    /** What a run is called; its id, where there is none any more. */
    public function code(string $run): string
    {
        return $this->runs[$run]->code ?? $run;
    }

    /** What a cable is called; its id, where there is none of it. */
    public function cable(string $cable): string
    {
        return $this->cables[$cable]->name ?? $cable;
    }
}
