<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\StepId;
use Sartal\Core\Proof\Record\StepKind;
use Sartal\Core\Proof\Testing\Verdict;

/**
 * How far a job has come: its operations beside what was recorded. An event
 * that names an operation speaks of it alone; one that names none, such as
 * "end A joined", speaks of everything it covers.
 */
final class Progress
{
    /** @var array<int|string, Standing> */
    private array $standings = [];

    /** @var array<int|string, string> first edition's id of an operation → its id */
    private array $first = [];

    /** @var array<int|string, Event> holds that are not lifted, by id */
    private array $holds = [];

    /** @var array<int|string, array{question: Event, answer: ?Event}> */
    private array $questions = [];

    /** @var list<Event> */
    private array $pictures = [];

    /** @var list<Event> */
    private array $reworks = [];

    /**
     * @param  array<int|string, Operation>  $operations  by id, in the order of work
     * @param  list<Event>  $events  of all its runs, as they were received
     */
    public function __construct(private readonly array $operations, array $events)
    {
        foreach ($operations as $operation) {
            if ($operation->step->first !== '' && ! isset($operations[$operation->step->first])) {
                $this->first[$operation->step->first] = $operation->id;
            }
        }
        foreach ($events as $event) {
            $this->take($event);
        }
        foreach ($this->standings as $id => $standing) {
            $operation = $this->operations[$id] ?? null;
            if (
                $standing->status === Status::Done &&
                $operation !== null &&
                $standing->by !== null &&
                $this->id($standing->by->step) === $operation->id &&
                ! OperationFacts::stand($operation, $standing->by->fingerprint)
            ) {
                $this->standings[$id] = new Standing(Status::Overtaken, $standing->by, $standing->flagged);
            }
        }
    }

    public function of(string $operation): Standing
    {
        return $this->standings[$operation] ?? new Standing(Status::ToDo);
    }

    /** @return list<Event> that stop the job */
    public function holds(): array
    {
        return array_values($this->holds);
    }

    /** @return list<array{question: Event, answer: ?Event}> */
    public function questions(): array
    {
        return array_values($this->questions);
    }

    /** @return list<Event> */
    public function pictures(): array
    {
        return $this->pictures;
    }

    /** @return list<Event> */
    public function reworks(): array
    {
        return $this->reworks;
    }

    /** @return list<string> operations that a rework goes back to, as they are called now */
    public function reopened(Event $rework): array
    {
        return array_map($this->id(...), $rework->rework()->reopens ?? []);
    }

    /** How its next record names an operation: what was begun under a name of the first edition goes on under it. */
    public function named(Operation $operation): string
    {
        $by = $this->of($operation->id)->by->step ?? '';

        return $by !== '' && $this->id($by) === $operation->id ? $by : $operation->id;
    }

    public function settled(): int
    {
        return count(
            array_filter(
                $this->operations,
                fn (Operation $operation): bool => $this->of($operation->id)->status->isSettled(),
            ),
        );
    }

    /** @return list<Operation> that nothing is left to wait for, in the order of work */
    public function open(): array
    {
        $open = [];
        foreach ($this->operations as $operation) {
            if (! $this->of($operation->id)->status->isSettled() && $this->waitsFor($operation) === []) {
                $open[] = $operation;
            }
        }

        return $open;
    }

    /** @return list<Prerequisite> what is still missing before it can be done */
    public function waitsFor(Operation $operation): array
    {
        return array_values(
            array_filter(
                $operation->needs,
                fn (Prerequisite $need): bool => isset($this->operations[$need->before]) &&
                    ! $this->of($need->before)->status->isSettled(),
            ),
        );
    }

    /**
     * What stands as a whole: ends made, looked over and labelled runs.
     *
     * @return array<int|string, Milestone> by key
     */
    public function milestones(): array
    {
        $open = $milestones = [];
        foreach ($this->operations as $operation) {
            foreach (Milestone::countedBy($operation) as $key => $milestone) {
                $milestones[$key] = $milestone;
                $status = $this->of($operation->id)->status;
                $open[$key] =
                    ($open[$key] ?? false) ||
                    ! $status->isSettled() ||
                    ($status === Status::Skipped && $milestone->isOf($operation->task));
            }
        }

        return array_filter($milestones, static fn (Milestone $milestone): bool => ! $open[$milestone->key()]);
    }

    /** What a recorded step is called now. */
    private function id(string $step): string
    {
        return $this->first[$step] ?? $step;
    }

    private function take(Event $event): void
    {
        match (true) {
            $event->kind === EventKind::Held => ($this->holds[$event->id] = $event),
            $event->kind === EventKind::Asked => ($this->questions[$event->id] = [
                'question' => $event,
                'answer' => null,
            ]),
            $event->kind === EventKind::Pictured => ($this->pictures[] = $event),
            $event->kind->isReply() => $this->reply($event),
            $event->step !== '' => $this->step($event),
            default => $this->whole($event),
        };
    }

    private function reply(Event $event): void
    {
        if ($event->kind === EventKind::Lifted) {
            unset($this->holds[$event->of()]);
        } elseif (isset($this->questions[$event->of()])) {
            $this->questions[$event->of()]['answer'] = $event;
        }
    }

    private function step(Event $event): void
    {
        $step = $this->id($event->step);
        $flagged = $this->of($step)->flagged;
        if ($event->kind === EventKind::Reworked) {
            $this->reworks[] = $event;
            foreach ($this->reopened($event) as $id) {
                $this->standings[$id] = new Standing(Status::ToDo, $event, $this->of($id)->flagged);
            }
        } elseif ($event->kind === EventKind::Flagged) {
            $before = $this->of($step);
            $this->standings[$step] = new Standing(
                $event->flag()?->reopens() === true ? Status::ToDo : $before->status,
                $before->by,
                $event,
            );
        } elseif ($event->kind === EventKind::TakenBack) {
            $this->standings[$step] = new Standing(Status::ToDo, $event, $flagged);
        } elseif ($event->kind === EventKind::Skipped) {
            $this->standings[$step] = new Standing(Status::Skipped, $event, $flagged);
        } elseif ($event->kind->isDone()) {
            $this->standings[$step] = new Standing(Status::Done, $event, $flagged);
        }
    }

    /** Recorded for an end or a run at once, away from the bench. */
    private function whole(Event $event): void
    {
        foreach ($this->operations as $operation) {
            if ($this->covers($event, $operation) && ! $this->of($operation->id)->status->isSettled()) {
                $this->standings[$operation->id] = new Standing(
                    Status::Done,
                    $event,
                    $this->of($operation->id)->flagged,
                );
            }
        }
        foreach ($event->kind === EventKind::Tested ? [$event->run, ...$event->covers()] : [] as $run) {
            $this->standings[StepId::ofTest($run)->text()] = new Standing(
                $event->verdict() === Verdict::Passes ? Status::Done : Status::ToDo,
                $event,
            );
        }
    }

    private function covers(Event $event, Operation $operation): bool
    {
        if ($operation->run !== $event->run) {
            return false;
        }

        return match ($event->kind) {
            EventKind::Cut => $operation->task === Task::Cut,
            EventKind::Pulled => in_array($operation->task, [Task::Pull, Task::Mark, Task::Cut], true),
            EventKind::Labelled => $operation->task === Task::Label ||
                ($operation->task === Task::Shrink && $operation->step->kind === StepKind::Label),
            EventKind::Inspected => in_array($operation->task, [Task::Tug, Task::Inspect], true),
            EventKind::Joined, EventKind::Remade => in_array($operation->task, [Task::Cut, Task::Mark], true) ||
                ($operation->side === $event->side &&
                    ! in_array($operation->task, [Task::Label, Task::Cover], true) &&
                    $operation->step->kind !== StepKind::Label),
            // Nobody tests, dresses or installs a cable that its loom's sleeve still has to go over.
            EventKind::Tested => $operation->task === Task::Cover && $event->verdict() === Verdict::Passes,
            EventKind::Dressed, EventKind::Installed => $operation->task === Task::Cover,
            default => false,
        };
    }
}
