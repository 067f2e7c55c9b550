<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Changing;

use Sartal\Core\Given\Installation\Installation;
use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Work\Bench\LoomSleeve;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;
use Sartal\Core\Work\Bench\Traveller;

/** What is done and what stands at the bench, assembly by assembly, as somebody asks. */
final class Work
{
    /** @var array<int|string, array{array<int|string, Operation>, Progress}> */
    private array $known = [];

    /** @param  array<int|string, list<LoomSleeve>>  $covers  by run, where they are to count */
    public function __construct(
        public readonly Installation $installation,
        public readonly Plan $plan,
        public readonly Record $record,
        private readonly array $covers = [],
    ) {
    }

    /** @return array<int|string, Operation> of the assembly that a run belongs to, in the order of work */
    public function operations(string $run): array
    {
        return $this->at($run)[0];
    }

    public function progress(string $run): Progress
    {
        return $this->at($run)[1];
    }

    /** Whether anything was recorded step by step on the assembly that a run belongs to. */
    public function hasSteps(string $run): bool
    {
        return $this->record->hasSteps($this->plan->assemblies[$this->plan->assemblyOf[$run]]->runs);
    }

    /**
     * @return list<Operation> of one run that were done by another description, what its cut, labels and test say left
     *     out
     */
    public function overtakenSteps(string $run): array
    {
        if (! $this->hasSteps($run)) {
            return [];
        }
        [$operations, $progress] = $this->at($run);

        return array_values(
            array_filter(
                $operations,
                static fn (Operation $operation): bool => $operation->run === $run &&
                    ! in_array($operation->task, [Task::Cut, Task::Label, Task::Test], true) &&
                    $progress->of($operation->id)->status === Status::Overtaken,
            ),
        );
    }

    /** Nothing is done to a run but that it was cut and its ends marked. */
    public function isFree(string $run): bool
    {
        foreach ($this->record->stepsOf($run) as $step) {
            if (! StepId::isOfRun($step, $run, StepKind::Cut) && ! StepId::isOfRun($step, $run, StepKind::Mark)) {
                return false;
            }
        }
        foreach ($this->record->of($run) as $event) {
            if (
                $event->step === '' &&
                in_array(
                    $event->kind,
                    [
                        EventKind::Joined,
                        EventKind::Remade,
                        EventKind::Pulled,
                        EventKind::Dressed,
                        EventKind::Installed,
                        EventKind::Labelled,
                        EventKind::Inspected,
                        EventKind::Tested,
                    ],
                    true,
                )
            ) {
                return false;
            }
        }

        return true;
    }

    /** The last event of a kind that still stands on one end, or on the whole run. */
    public function last(string $run, ?string $side, EventKind ...$kinds): ?Event
    {
        $last = null;
        foreach ($this->record->of($run) as $event) {
            if ($event->step !== '' || ($side !== null && $event->side?->value !== $side)) {
                continue;
            }
            if (in_array($event->kind, $kinds, true)) {
                $last = $event;
            } elseif ($event->kind === EventKind::TakenBack && in_array($event->undoes(), $kinds, true)) {
                $last = null;
            }
        }

        return $last;
    }

    /** @return array{array<int|string, Operation>, Progress} */
    private function at(string $run): array
    {
        $assembly = $this->plan->assemblies[$this->plan->assemblyOf[$run]];
        if (! isset($this->known[$assembly->id])) {
            $operations = Traveller::order(
                (new OperationPlanner($this->installation, $this->covers))->of($assembly, $this->plan->runs),
                $this->installation->rules(),
            )->operations;
            $events = $this->record->closely($assembly->runs)->together($assembly->runs);
            $this->known[$assembly->id] = [$operations, new Progress($operations, $events)];
        }

        return $this->known[$assembly->id];
    }
}
