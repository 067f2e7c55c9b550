<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Ends\Wiring\Node;
use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Given\Installation\Run;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\MadeJoint;
use Sartal\Core\Work\Bench\BenchCore;
use Sartal\Core\Work\Bench\Disposition as Mend;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Rework;
use Sartal\Core\Work\Bench\ReworkPlanner;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;

/** An end whose joints belong somewhere else now, or that was prepared by another description. */
final readonly class EndRemedies
{
    private ReworkPlanner $rework;

    /** @param  ?Plan  $before  by which it was made, where nobody wrote its joints down */
    public function __construct(private Work $work, private Worth $worth, private ?Plan $before = null)
    {
        $this->rework = new ReworkPlanner($work->installation);
    }

    /**
     * @param  bool  $whole  its bead on the strand is overtaken
     * @param  list<Operation>  $steps  of this end that were done by another description
     * @param  bool  $tested  the cable passed a test that nothing else asks for again: opened, it has to be
     */
    public function of(Run $run, Side $side, bool $whole, array $steps, bool $tested): Overtaken
    {
        $event = $whole ? $this->work->last($run->id, $side->value, EventKind::Joined, EventKind::Remade) : null;
        $made = $event === null ? null : $this->made($run, $side, $event);
        $stepped = array_column(
            array_filter($steps, static fn (Operation $step): bool => $step->task === Task::Join),
            null,
            'id',
        );
        $joins = [];
        foreach ($this->work->operations($run->id) as $operation) {
            if (
                $operation->task === Task::Join &&
                $operation->side === $side &&
                $this->isOf($operation, $run->id) &&
                (isset($stepped[$operation->id]) || ($event !== null && $this->moves($operation, $run->id, $made)))
            ) {
                $joins[] = $operation;
            }
        }
        $others = array_values(array_filter($steps, static fn (Operation $step): bool => $step->task !== Task::Join));
        $details = $this->details($run, $side, $joins, $made);
        if ($joins === [] && ($others !== [] || ! $whole)) {
            return $this->steps($run, $side, $others, $tested);
        }
        $count = count($details);
        $words =
            $joins === []
                ? sprintf('End %s: %d joints belong to nothing any more', $side->value, $count)
                : sprintf(
                    'End %s: %d %s to be made otherwise',
                    $side->value,
                    $count,
                    $count === 1 ? 'joint is' : 'joints are',
                );

        return new Overtaken(
            OvertakenKind::End,
            $side,
            $words,
            $details,
            null,
            ...$this->remedies($run, $side, $joins, $others, $tested),
        );
    }

    /**
     * Steps that were done by another description; of no end in particular where there is no side.
     *
     * @param  list<Operation>  $steps
     */
    public function steps(Run $run, ?Side $side, array $steps, bool $tested): Overtaken
    {
        $details = array_map(static fn (Operation $step): string => $step->words, $steps);
        $joined = array_filter(
            $this->work->operations($run->id),
            fn (Operation $operation): bool => $operation->task === Task::Join &&
                $operation->side === $side &&
                $this->isOf($operation, $run->id) &&
                $this->work->progress($run->id)->of($operation->id)->status === Status::Done,
        );
        $prepared = array_filter($steps, static fn (Operation $step): bool => $step->task->isPreparation());
        $words = sprintf(
            '%s%d %s done by another description',
            $side === null ? '' : sprintf('End %s: ', $side->value),
            count($steps),
            count($steps) === 1 ? 'step was' : 'steps were',
        );
        if ($side !== null && $joined !== [] && $prepared !== []) {
            return new Overtaken(
                OvertakenKind::Steps,
                $side,
                $words,
                $details,
                null,
                ...$this->remedies($run, $side, [], $steps, $tested),
            );
        }
        $minutes = Worth::minutes(...$this->worth->again($steps));
        $remedy = new Remedy(
            RemedyKind::Steps,
            'Do them again as they are now',
            $minutes,
            $this->worth->cost($minutes, []),
            side: $side,
            reopens: array_map(static fn (Operation $step): string => $step->id, $steps),
            step: $steps[0]->id ?? '',
        );

        return new Overtaken(OvertakenKind::Steps, $side, $words, $details, null, [$remedy]);
    }

    /**
     * @param  list<Operation>  $joins
     * @param  list<Operation>  $others
     * @return array{list<Remedy>, list<string>} what helps; what does not, and why
     */
    private function remedies(Run $run, Side $side, array $joins, array $others, bool $tested): array
    {
        $remedies = $ruledOut = [];
        $prepared = array_filter($others, static fn (Operation $step): bool => $step->task->isPreparation());
        if ($joins !== [] && $prepared === []) {
            $moved = $this->moved($run, $joins);
            // What cannot be undone is made again, below.
            if (! $moved->cutsBack) {
                $remedies[] = $this->remedy(RemedyKind::Joints, $moved, $run, $side, $joins[0]->id, $tested);
            }
        }
        $again = $this->again($run, $side);
        if ($again !== null && ($again->sparesLeft ?? 0) < 0) {
            $ruledOut[] = sprintf('End %s cut back and made again: no spare length is left at it.', $side->value);
        } elseif ($again !== null) {
            $remedies[] = $this->remedy(
                RemedyKind::End,
                $again,
                $run,
                $side,
                $this->inspections($run, $side)[0]->id,
                $tested,
            );
        }
        usort($remedies, static fn (Remedy $a, Remedy $b): int => $a->cost->value <=> $b->cost->value);

        return [$remedies, $ruledOut];
    }

    private function remedy(RemedyKind $kind, Rework $rework, Run $run, Side $side, string $step, bool $tested): Remedy
    {
        $operations = $this->work->operations($run->id);
        // A test that is asked for anyhow is counted there.
        $again = array_values(
            array_filter(
                array_map(static fn (string $id): ?Operation => $operations[$id] ?? null, $rework->reopens),
                static fn (?Operation $each): bool => $each !== null && ($tested || $each->task !== Task::Test),
            ),
        );
        $minutes = Worth::minutes(...$this->worth->again($again));
        $parts = $this->worth->replaced(
            $rework->scraps,
            $run->id,
            sprintf('%s end %s, made again', $run->code, $side->value),
        );

        return new Remedy(
            $kind,
            $rework->words,
            $minutes,
            $this->worth->cost($minutes, $parts),
            $parts,
            $side,
            reopens: $rework->reopens,
            scraps: $rework->scraps,
            step: $step,
        );
    }

    /** @param  non-empty-list<Operation>  $joins  perhaps of several fittings */
    private function moved(Run $run, array $joins): Rework
    {
        $byFitting = [];
        foreach ($joins as $join) {
            $byFitting[$join->fitting][] = $join;
        }

        return self::together(
            array_map(
                fn (array $of): Rework => $this->rework->moved(
                    $this->work->operations($run->id),
                    $this->work->progress($run->id),
                    $of,
                ),
                array_values($byFitting),
            ),
        );
    }

    /** The whole end once more, cut back. */
    private function again(Run $run, Side $side): ?Rework
    {
        $reworks = array_map(
            fn (Operation $inspection): Rework => $this->rework->of(
                $this->work->operations($run->id),
                $this->work->progress($run->id),
                $inspection,
                Mend::Remake,
            ),
            $this->inspections($run, $side),
        );

        return $reworks === [] ? null : self::together($reworks);
    }

    /** @return list<Operation> of the fittings of one end */
    private function inspections(Run $run, Side $side): array
    {
        return array_values(
            array_filter(
                $this->work->operations($run->id),
                static fn (Operation $operation): bool => $operation->task === Task::Inspect &&
                    $operation->side === $side &&
                    ($operation->run === $run->id || in_array($run->id, $operation->with, true)),
            ),
        );
    }

    /**
     * What is thrown away where the fitting that an inspection looks at is made again.
     *
     * @param  array<int|string, Operation>  $operations
     * @return array<int|string, int>
     */
    public function scrapsAt(array $operations, Progress $progress, Operation $inspection): array
    {
        return $this->rework->of($operations, $progress, $inspection, Mend::Remake)->scraps;
    }

    /** @param  non-empty-list<Rework>  $reworks */
    private static function together(array $reworks): Rework
    {
        $reopens = $scraps = [];
        foreach ($reworks as $rework) {
            $reopens += array_fill_keys($rework->reopens, true);
            foreach ($rework->scraps as $part => $count) {
                $scraps[$part] = ($scraps[$part] ?? 0) + $count;
            }
        }
        $spares = array_filter(
            array_map(static fn (Rework $rework): ?int => $rework->sparesLeft, $reworks),
            static fn (?int $left): bool => $left !== null,
        );

        return new Rework(
            $reworks[0]->remedy,
            array_map(strval(...), array_keys($reopens)),
            $scraps,
            $reworks[0]->survives,
            array_filter($reworks, static fn (Rework $rework): bool => $rework->cutsBack) !== [],
            $spares === [] ? null : min($spares),
            $reworks[0]->words,
        );
    }

    private function isOf(Operation $join, string $run): bool
    {
        return array_filter($join->cores, static fn (BenchCore $core): bool => $core->run === $run) !== [];
    }

    /**
     * Joints that the end was made by.
     *
     * @return ?array<int|string, true> "conductor>node"; null: nobody knows
     */
    private function made(Run $run, Side $side, Event $event): ?array
    {
        $joints = $event->joints();
        if ($joints === [] && isset($this->before?->runs[$run->id])) {
            $joints = $this->before->fingerprints($run->id)->joints[$side->value] ?? null;
        }

        return $joints === null ? null : array_fill_keys($joints, true);
    }

    /** @param  ?array<int|string, true>  $made */
    private function moves(Operation $join, string $run, ?array $made): bool
    {
        if ($made === null) {
            return true;
        }
        foreach ($this->today($join, $run) as $joint) {
            if (! isset($made[$joint])) {
                return true;
            }
        }

        return false;
    }

    /** @return list<string> "conductor>node" of one run that an operation makes */
    private function today(Operation $join, string $run): array
    {
        $wanted = [];
        foreach ($join->cores as $core) {
            if ($core->run === $run) {
                $wanted[$core->conductor] = true;
            }
        }
        $joints = [];
        foreach ($this->work->plan->runs[$run]->end($join->side ?? Side::A)->joints as $joint) {
            if (isset($wanted[$joint->conductor])) {
                $joints[] = (new MadeJoint($joint->conductor, $joint->to))->text();
            }
        }

        return $joints;
    }

    /**
     * @param  list<Operation>  $joins
     * @param  ?array<int|string, true>  $made
     * @return list<string>
     */
    private function details(Run $run, Side $side, array $joins, ?array $made): array
    {
        $was = $now = [];
        foreach (array_keys($made ?? []) as $joint) {
            $each = MadeJoint::from((string) $joint);
            $was[$each->conductor][] = $each->node;
        }
        foreach ($joins as $join) {
            foreach ($this->today($join, $run->id) as $joint) {
                if (! isset($made[$joint])) {
                    $is = MadeJoint::from($joint);
                    $now[$is->conductor][] = $is->node;
                }
            }
        }
        $details = [];
        foreach ($now as $conductor => $nodes) {
            $details[] = sprintf(
                '%s: %s',
                $this->core($run, (string) $conductor),
                isset($was[$conductor])
                    ? implode(', ', array_map($this->place(...), $was[$conductor])).
                        ' → '.
                        implode(', ', array_map($this->place(...), $nodes))
                    : '→ '.implode(', ', array_map($this->place(...), $nodes)),
            );
        }
        $planned = array_fill_keys($this->work->plan->fingerprints($run->id)->joints[$side->value] ?? [], true);
        foreach ($was as $conductor => $nodes) {
            $gone = isset($now[$conductor])
                ? []
                : array_filter(
                    $nodes,
                    static fn (string $node): bool => ! isset(
                        $planned[(new MadeJoint((string) $conductor, $node))->text()],
                    ),
                );
            if ($gone !== []) {
                $details[] = sprintf(
                    '%s: %s → open',
                    $this->core($run, (string) $conductor),
                    implode(', ', array_map($this->place(...), $gone)),
                );
            }
        }

        return $details;
    }

    private function core(Run $run, string $conductor): string
    {
        $colour =
            ($this->work->installation->catalogue->theCable($run->cable)->conductors()[$conductor] ?? null)?->element
                ->colour ?? '';

        return trim($conductor.($colour === '' ? '' : ', '.$colour));
    }

    private function place(string $node): string
    {
        $fitting = Node::fitting($node);

        return $fitting === null
            ? $node
            : sprintf('%s %s', $this->label($this->work->installation, $fitting), Node::address($node));
    }

    private function label(Installation $in, string $fitting): string
    {
        return $in->fitting($fitting)->label ?? 'a connector that is gone, contact';
    }
}
