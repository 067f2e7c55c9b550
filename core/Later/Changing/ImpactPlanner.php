<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Generator;
use Sartal\Core\Given\Catalogue\CableSide;
use Sartal\Core\Given\Catalogue\Catalogue;
use Sartal\Core\Given\Catalogue\ConnectorType;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Given\Measure\Figure;
use Sartal\Core\Given\Measure\FigureTerm;
use Sartal\Core\Plan\Planning\Bead;
use Sartal\Core\Plan\Planning\BeadState;
use Sartal\Core\Plan\Planning\Consequences;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Pace;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\TimeBook;
use Sartal\Core\Work\Parts\Ask;
use Sartal\Core\Work\Parts\Counter;
use Sartal\Core\Work\Parts\Sort;
use Sartal\Core\Work\Parts\Supplies;

/**
 * What of the work that is done no longer fits the plan, and what the cheapest
 * remedies are. An edit's impact is what is overtaken after it and was not
 * before: the same look at the record, taken twice.
 */
final readonly class ImpactPlanner
{
    private Worth $worth;

    private CutRemedies $cuts;

    private EndRemedies $ends;

    /**
     * @param  ?Plan  $before  by which work was done that did not write down what it relied on
     * @param  bool  $isAll  whether all runs are in hand: else it is left open which pieces of others would serve
     */
    public function __construct(
        private Work $work,
        TimeBook $times = new TimeBook(),
        private ?Plan $before = null,
        bool $isAll = true,
    ) {
        $this->worth = new Worth($work->installation, $times);
        $pieces = new Pieces($work, $before);
        $this->cuts = new CutRemedies(
            $work,
            $pieces,
            $this->worth,
            $isAll ? new Exchanges($work->installation, $pieces, $this->worth) : null,
        );
        $this->ends = new EndRemedies($work, $this->worth, $before);
    }

    /**
     * What an edit would overtake: $before is how things are, this planner's work how they would be.
     *
     * @param  ?list<string>  $among  runs of which something may be otherwise; null: any
     */
    public function after(Work $before, ?array $among = null): Impact
    {
        $runs = $restored = [];
        foreach ($this->changes($before, $among) as $id => [$run, $isMore]) {
            if ($isMore) {
                $runs[$id] = $this->of($run);
            } else {
                $restored[] = $run->code;
            }
        }
        $is = $this->work->plan->findingsBeside($before->plan);
        $was = $before->plan->findingsBeside($this->work->plan);

        return $this->sum(
            $runs,
            $restored,
            Consequences::difference($is, $was),
            Consequences::difference($was, $is),
        );
    }

    /**
     * Whether an edit would overtake anything: what could be done about it is not worked out.
     *
     * @param  ?list<string>  $among  runs of which something may be otherwise; null: any
     */
    public function overtakes(Work $before, ?array $among = null): bool
    {
        foreach ($this->changes($before, $among) as [, $isMore]) {
            if ($isMore) {
                return true;
            }
        }

        return false;
    }

    /**
     * @param  ?list<string>  $among
     * @return Generator<int|string, array{Run, bool}> runs, and whether something of them is overtaken that was not
     */
    private function changes(Work $before, ?array $among = null): Generator
    {
        [$then, $now] = [$before->installation, $this->work->installation];
        // How an end is prepared follows from types and rules alone: a plan may be the same, and its steps another.
        $asTyped = $then->catalogue->holdsAs($now->catalogue) ||
            self::types($then->catalogue) == self::types($now->catalogue);
        $runs = $now->runs();
        foreach ($among === null ? $runs : array_intersect_key($runs, array_flip($among)) as $run) {
            $id = $run->id;
            // Another answer for a loom is none of the other looms' concern.
            $asPrepared = $asTyped && self::isAnsweredAlike($run, $then, $now);
            if ($this->work->plan->isAs($before->plan, $id) && ($asPrepared || ! $this->work->hasSteps($id))) {
                continue;
            }
            $was = isset($before->plan->runs[$id]) ? self::keys($before, $id) : [];
            $is = $run->withdrawn ? [] : self::keys($this->work, $id);
            if (array_diff($is, $was) !== [] || array_diff($was, $is) !== []) {
                yield $id => [$run, array_diff($is, $was) !== []];
            }
        }
    }

    private static function isAnsweredAlike(Run $run, Installation $then, Installation $now): bool
    {
        $before = $then->run($run->id) ?? $run;
        foreach (Side::cases() as $side) {
            if ($then->rulesFor($before, $side) != $now->rulesFor($run, $side)) {
                return false;
            }
        }

        return true;
    }

    /**
     * Everything that is overtaken as things are.
     *
     * @param  ?list<string>  $among  runs of which something may be; null: any
     */
    public function standing(?array $among = null): Impact
    {
        $runs = [];
        $known = $this->work->installation->runs();
        foreach ($among === null ? $known : array_intersect_key($known, array_flip($among)) as $id => $run) {
            if (! $run->withdrawn && self::keys($this->work, $run->id) !== []) {
                $runs[$id] = $this->of($run);
            }
        }

        return $this->sum($runs, [], [], []);
    }

    /** @return list<string> "kind-side" of everything on a run that is overtaken */
    public static function keys(Work $work, string $run): array
    {
        $keys = [];
        foreach ($work->plan->strand($run) as $bead) {
            if (self::isOvertaken($bead)) {
                $keys[] =
                    self::kind($bead->stage)->value.
                    (self::side($bead->stage) === null ? '' : '-'.self::side($bead->stage)->value);
            }
        }
        foreach ($work->overtakenSteps($run) as $step) {
            $kind = $step->task === Task::Join ? OvertakenKind::End : OvertakenKind::Steps;
            $key = $kind->value.($step->side === null ? '' : '-'.$step->side->value);
            if (
                ! in_array($key, $keys, true) &&
                ! in_array(OvertakenKind::End->value.substr($key, strlen($kind->value)), $keys, true)
            ) {
                $keys[] = $key;
            }
        }

        return $keys;
    }

    /** What is overtaken on one run; null where nothing is. */
    public function on(string $run): ?RunImpact
    {
        return self::keys($this->work, $run) === [] ? null : $this->of($this->work->installation->theRun($run));
    }

    private function of(Run $run): RunImpact
    {
        $overtaken = [];
        $tested = $this->isTested($run->id);
        foreach (self::keys($this->work, $run->id) as $key) {
            [$kind, $side] = [...explode('-', $key, 2), ''];
            $kind = OvertakenKind::from($kind);
            $overtaken[] = $this->overtaken($run, $kind, Side::tryFrom($side), $tested);
            // However many ends are opened, one test follows.
            $tested = $tested && $kind !== OvertakenKind::End && $kind !== OvertakenKind::Steps;
        }
        $remake = $this->remake($run);
        $each = array_map(static fn (Overtaken $one): ?Remedy => $one->best(), $overtaken);
        $cost = array_sum(array_map(static fn (?Remedy $remedy): float => $remedy->cost->value ?? INF, $each));
        // A ring is the cheapest for its runs together, whatever one of them would pay alone.
        $rings =
            array_filter($each, static fn (?Remedy $remedy): bool => $remedy?->kind === RemedyKind::Exchange) !== [];
        $best = $rings || $cost <= $remake->cost->value ? array_values(array_filter($each)) : [$remake];

        return new RunImpact(
            $run->id,
            $run->code,
            $overtaken === [] ? throw new \LogicException('Nothing is overtaken on '.$run->code.'.') : $overtaken,
            $remake,
            $best === [] ? [$remake] : $best,
        );
    }

    private function isTested(string $run): bool
    {
        foreach ($this->work->plan->strand($run) as $bead) {
            if ($bead->stage === Stage::Test) {
                return $bead->state === BeadState::Done;
            }
        }

        return false;
    }

    private function overtaken(Run $run, OvertakenKind $kind, ?Side $side, bool $tested): Overtaken
    {
        return match ($kind) {
            OvertakenKind::Cut => $this->cuts->of($run),
            OvertakenKind::End, OvertakenKind::Steps => $this->end($run, $side, $tested),
            OvertakenKind::Look => $this->again(
                $run,
                $kind,
                RemedyKind::Look,
                'Looked over as it was before',
                'Look it over once more',
                Task::Inspect,
            ),
            OvertakenKind::Label => $this->again(
                $run,
                $kind,
                RemedyKind::Label,
                'Its labels say something else now',
                'Print its labels and put them on',
                Task::Label,
            ),
            OvertakenKind::Place => $this->place($run),
            OvertakenKind::Test => $this->again(
                $run,
                $kind,
                RemedyKind::Test,
                'Tested against another reading',
                'Test it again',
                Task::Test,
            ),
            OvertakenKind::Signed => $this->again(
                $run,
                $kind,
                RemedyKind::Sign,
                'Signed off as it was before',
                'Sign it off once more',
                null,
            ),
        };
    }

    private function end(Run $run, ?Side $side, bool $tested): Overtaken
    {
        $steps = array_values(
            array_filter(
                $this->work->overtakenSteps($run->id),
                static fn (Operation $step): bool => $step->side === $side,
            ),
        );
        if ($side === null) {
            return $this->ends->steps($run, null, $steps, $tested);
        }
        $whole = false;
        foreach ($this->work->plan->strand($run->id) as $bead) {
            $whole = $whole || (self::side($bead->stage) === $side && $bead->state === BeadState::Overtaken);
        }

        return $this->ends->of($run, $side, $whole, $steps, $tested);
    }

    private function again(
        Run $run,
        OvertakenKind $of,
        RemedyKind $kind,
        string $words,
        string $remedy,
        ?Task $task,
    ): Overtaken {
        $operations = array_values(
            array_filter(
                $task === null ? [] : $this->work->operations($run->id),
                static fn (Operation $operation): bool => $operation->task === $task &&
                    ($operation->run === $run->id || $task === Task::Test),
            ),
        );
        $minutes = Worth::minutes(
            ...$operations === []
                ? [new Effort('confirm', 'at the place', Worth::CONFIRM)]
                : $this->worth->again($operations),
        );
        $parts = $kind === RemedyKind::Label ? $this->labels($run, $operations) : [];

        return new Overtaken(
            $of,
            null,
            $words,
            remedies: [new Remedy($kind, $remedy, $minutes, $this->worth->cost($minutes, $parts), $parts)],
        );
    }

    /**
     * @param  list<Operation>  $operations
     * @return list<Ask>
     */
    private function labels(Run $run, array $operations): array
    {
        $asks = [];
        foreach ($operations as $operation) {
            if ($operation->part !== '') {
                $asks[] = new Ask(Sort::Part, $operation->part, 1.0, $run->id, $operation->place);
            }
        }

        return $asks;
    }

    private function place(Run $run): Overtaken
    {
        $metres = $this->work->plan->runs[$run->id]->cut->result->inMetres();
        $minutes = Worth::minutes(
            new Effort(
                'pull again',
                Figure::amount($metres, 'm', 2),
                $metres * $this->worth->pace(Pace::PullMetre),
                'standard times, or the crew’s own',
            ),
        );
        $names = array_map(
            static fn ($hop): string => $hop->way->name,
            $this->work->plan->runs[$run->id]->lay->route->hops,
        );

        return new Overtaken(
            OvertakenKind::Place,
            null,
            'It lies elsewhere than it should now',
            [implode(' → ', $names)],
            remedies: [
                new Remedy(
                    RemedyKind::Place,
                    'Draw it back and pull it its new way',
                    $minutes,
                    $this->worth->cost($minutes, []),
                ),
            ],
        );
    }

    /** The whole cable once more: what is done again, and what is lost. */
    private function remake(Run $run): Remedy
    {
        $operations = $this->work->operations($run->id);
        $progress = $this->work->progress($run->id);
        $again = array_values(
            array_filter(
                $operations,
                static fn (Operation $operation): bool => ($operation->run === $run->id ||
                    in_array($run->id, $operation->with, true)) &&
                    ($progress->of($operation->id)->status->isSettled() ||
                        $progress->of($operation->id)->by !== null ||
                        in_array($operation->task, [Task::Cut, Task::Mark], true)),
            ),
        );
        $scraps = [];
        foreach ($again as $operation) {
            if ($operation->task === Task::Inspect && $progress->of($operation->id)->by !== null) {
                foreach ($this->ends->scrapsAt($operations, $progress, $operation) as $part => $count) {
                    $scraps[$part] = ($scraps[$part] ?? 0) + $count;
                }
            }
        }
        $metres = $this->work->plan->runs[$run->id]->cut->result->inMetres();
        $parts = [
            new Ask(Sort::Cable, $run->cable, $metres, $run->id, $run->code.', made again'),
            ...$this->worth->replaced($scraps, $run->id, $run->code.', made again'),
        ];
        $minutes = Worth::minutes(...$this->worth->again($again));
        $settled = array_values(
            array_filter($again, static fn (Operation $operation): bool => $progress->of($operation->id)->by !== null),
        );

        return new Remedy(
            RemedyKind::Remake,
            'Make it again from a new piece',
            $minutes,
            $this->worth->cost($minutes, $parts),
            $parts,
            reopens: array_map(static fn (Operation $operation): string => $operation->id, $settled),
            scraps: $scraps,
            step: StepId::ofRun($run->id, StepKind::Cut)->text(),
        );
    }

    /**
     * @param  array<int|string, RunImpact>  $runs
     * @param  list<string>  $restored
     * @param  list<\Sartal\Core\Given\Findings\Finding>  $comes
     * @param  list<\Sartal\Core\Given\Findings\Finding>  $goes
     */
    private function sum(array $runs, array $restored, array $comes, array $goes): Impact
    {
        $minutes = $cost = 0.0;
        $terms = $money = $asks = [];
        $currency = $this->work->installation->economy()->currency;
        foreach ($runs as $run) {
            foreach ($run->best as $remedy) {
                $minutes += $remedy->minutes->value;
                $cost += $remedy->cost->value;
                $terms[] = new FigureTerm($run->code, $remedy->words, $remedy->minutes->text(), '');
                $money[] = new FigureTerm($run->code, $remedy->words, $remedy->cost->text(), '');
                array_push($asks, ...$remedy->parts);
            }
        }

        return new Impact(
            $runs,
            new Figure($minutes, 'min', $terms),
            new Figure($cost, $currency, $money, 2),
            (new Counter(Supplies::of($this->work->installation)))->count($asks),
            $restored,
            $comes,
            $goes,
        );
    }

    /** @return list<array<int|string, object>> what steps at the bench follow from, besides what a plan does */
    private static function types(Catalogue $catalogue): array
    {
        return [
            $catalogue->procedures(),
            array_map(static fn (ConnectorType $type): CableSide => $type->cable, $catalogue->connectors()),
            $catalogue->parts(),
        ];
    }

    /** Whether a stage of a run is overtaken by a change. */
    public static function isOvertaken(Bead $bead): bool
    {
        // A piece that does not reach shows as failed; it is a cut that no longer fits all the same.
        return $bead->state === BeadState::Overtaken ||
            ($bead->stage === Stage::Cut && $bead->state === BeadState::Failed);
    }

    private static function kind(Stage $stage): OvertakenKind
    {
        return match ($stage) {
            Stage::Cut => OvertakenKind::Cut,
            Stage::EndA, Stage::EndB => OvertakenKind::End,
            Stage::Look => OvertakenKind::Look,
            Stage::Label => OvertakenKind::Label,
            Stage::Pull, Stage::InPlace => OvertakenKind::Place,
            Stage::Test => OvertakenKind::Test,
            Stage::Signed => OvertakenKind::Signed,
        };
    }

    private static function side(Stage $stage): ?Side
    {
        return match ($stage) {
            Stage::EndA => Side::A,
            Stage::EndB => Side::B,
            default => null,
        };
    }
}
