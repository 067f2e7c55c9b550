<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Parts;

use Closure;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Cutting\CutFacts;
use Sartal\Core\Work\Cutting\CutPlan;
use Sartal\Core\Work\Cutting\CutRun;

/** Parts of an installation, a loom, an assembly or an order of runs. */
final readonly class PartsPlanner
{
    /**
     * @param  Closure(string): list<Bead>  $strand  where a run stands
     * @param  Record  $record  what rework threw away is needed once more
     */
    public function __construct(
        private CutFacts $cuts,
        private Supplies $supplies,
        private EndAsks $ends,
        private Closure $strand,
        private Record $record = new Record(),
    ) {
    }

    public static function planned(Installation $installation, Plan $plan, Record $record = new Record()): self
    {
        return new self(
            CutFacts::of($installation, $plan),
            Supplies::of($installation),
            new PlannedEnds($installation, $plan),
            $plan->strand(...),
            $record,
        );
    }

    /**
     * @param  list<string>  $runs  ids
     * @param  list<Ask>  $dress  what dressing looms along with them takes
     * @param  bool  $whole  of what is done already as well
     * @return list<Ask>
     */
    public function asks(array $runs, array $dress = [], bool $whole = true): array
    {
        $asks = [];
        foreach ($runs as $id) {
            $run = $this->cuts->runs[$id] ?? null;
            if ($run === null || $run->withdrawn) {
                continue;
            }
            if ($run->found) {
                // What was there is neither cut nor made; what its mending took is.
                array_push($asks, ...$this->scraps($run));

                continue;
            }
            if (isset($this->cuts->cables[$run->cable]) && ($whole || ! $this->isDone($id, Stage::Cut))) {
                $asks[] = new Ask(Sort::Cable, $run->cable, $run->length->now->inMetres(), $id, $run->code);
            }
            foreach (Side::cases() as $side) {
                if ($whole || ! $this->isDone($id, $side === Side::A ? Stage::EndA : Stage::EndB)) {
                    array_push($asks, ...$this->ends->of($id, $side));
                }
            }
            array_push($asks, ...$this->scraps($run));
        }

        return [...$asks, ...$dress];
    }

    /** @return list<Ask> */
    private function scraps(CutRun $run): array
    {
        $asks = [];
        foreach ($this->record->of($run->id) as $event) {
            foreach ($event->rework()->scraps ?? [] as $id => $count) {
                $asks[] = new Ask(
                    isset($this->supplies->connectors[$id]) ? Sort::Connector : Sort::Part,
                    (string) $id,
                    (float) $count,
                    $run->id,
                    $run->code.', thrown away in rework',
                );
            }
        }

        return $asks;
    }

    /**
     * @param  list<string>  $runs  ids
     * @param  list<Ask>  $dress  what dressing looms along with them takes
     */
    public function list(array $runs, array $dress = [], ?CutPlan $cuts = null, bool $whole = true): PartsList
    {
        return (new Counter($this->supplies))->count($this->asks($runs, $dress, $whole), $cuts);
    }

    private function isDone(string $run, Stage $stage): bool
    {
        foreach (($this->strand)($run) as $bead) {
            if ($bead->stage === $stage) {
                return $bead->state === BeadState::Done;
            }
        }

        return false;
    }
}
