<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Measure\Edition;
use Sartal\Core\Given\Measure\Fingerprint;
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

    /** @var array<int|string, Event> holds that are not lifted, by id */
    private array $holds = [];

    /** @var array<int|string, array{question: Event, answer: ?Event}> */
    private array $questions = [];

    /** @var list<Event> */
    private array $pictures = [];

    /** @var list<Event> */
    private array $reworks = [];

    /** @var array<int|string, list<Conflict>> operation → what of it was recorded apart */
    private array $conflicts = [];

    /** @var array<string, bool> operation and event → whether the description has changed since */
    private array $overtaken = [];

    private readonly JobShape $shape;

    /**
     * @param  array<int|string, Operation>  $operations  by id, in the order of work
     * @param  list<Event>  $events  of all its runs, in the order in which they were done,
     *     see {@see \Sartal\Core\Proof\Record\Order}
     */
    public function __construct(private readonly array $operations, array $events)
    {
        $this->shape = new JobShape($operations);
        foreach ($events as $event) {
            $this->take($event);
        }
    }

    /** With one more record, which came after all that it knows. */
    public function after(Event $event): self
    {
        $after = clone $this;
        $after->take($event);

        return $after;
    }

    public function of(string $operation): Standing
    {
        $standing = $this->at($operation);

        return $standing->status === Status::Done && $this->isOvertaken($operation, $standing)
            ? new Standing(Status::Overtaken, $standing->by, $standing->flagged)
            : $standing;
    }

    /** Whether it was done by a description that has changed since. */
    private function isOvertaken(string $operation, Standing $done): bool
    {
        $planned = $this->operations[$operation] ?? null;
        if ($planned === null || $done->by === null || $done->by->step === '') {
            return false;
        }
        if ($this->id($done->by->step) !== $operation) {
            $former = OperationFacts::formerly($planned, $done->by->step);

            return $former !== null && ! in_array($done->by->fingerprint, $former->prints, true);
        }

        return $this->overtaken[$operation.' '.$done->by->id] ??= ! OperationFacts::stand(
            $planned,
            $done->by->fingerprint,
        );
    }

    /** As it was recorded, by whatever description. */
    private function at(string $operation): Standing
    {
        return $this->standings[$operation] ??
            new Standing(($this->operations[$operation] ?? null)?->found === true ? Status::Found : Status::ToDo);
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

    /** @return array<int|string, list<Conflict>> operation → what of it was recorded apart, and nobody settled yet */
    public function conflicts(): array
    {
        return array_filter($this->conflicts, static fn (array $of): bool => $of !== []);
    }

    /** @return list<string> operations that were done on top of it */
    public function onTop(string $operation): array
    {
        return array_values(
            array_filter(
                $this->shape->neededBy($operation),
                fn (string $later): bool => $this->of($later)->status === Status::Done,
            ),
        );
    }

    /** @return list<string> operations that a rework goes back to, as they are called now */
    public function reopened(Event $rework): array
    {
        $ids = array_map(
            fn (string $step): array => $this->shape->ids($step, false),
            $rework->rework()->reopens ?? [],
        );

        return array_values(array_unique(array_merge(...$ids, ...[[]])));
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
        foreach ($this->shape->counted() as $id => $counted) {
            $status = $counted === [] ? Status::ToDo : $this->of((string) $id)->status;
            foreach ($counted as $key => $milestone) {
                $milestones[$key] = $milestone;
                $open[$key] =
                    ($open[$key] ?? false) ||
                    ! $status->isSettled() ||
                    ($status === Status::Skipped && $milestone->isOf($this->operations[$id]->task));
            }
        }

        return array_filter($milestones, static fn (Milestone $milestone): bool => ! $open[$milestone->key()]);
    }

    /** What a recorded step is called now. */
    private function id(string $step): string
    {
        return $this->shape->id($step);
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
        if ($event->kind === EventKind::Reworked && ! $this->isApart($this->id($event->step), $event)) {
            $this->reworks[] = $event;
            foreach ($this->reopened($event) as $id) {
                $this->standings[$id] = new Standing(Status::ToDo, $event, $this->at($id)->flagged);
            }

            return;
        }
        $edition = Fingerprint::edition($event->fingerprint);
        $isFormer = $event->kind->isDone() && $event->fingerprint !== '' && $edition !== Edition::now();
        foreach ($this->shape->ids($event->step, $isFormer) as $step) {
            $this->stepIs($step, $event);
            foreach ($this->shape->impliedBy($step) as $before) {
                $this->isImplied($before, $event);
            }
        }
    }

    /** Who did what comes after it has done it; taken back, that says nothing any more. */
    private function isImplied(string $before, Event $event): void
    {
        $standing = $this->at($before);
        if ($event->kind->isDone() && ! $standing->status->isSettled()) {
            $this->standings[$before] = new Standing(Status::Done, $event, $standing->flagged);
        } elseif ($event->kind === EventKind::TakenBack && $standing->by?->step === $event->step) {
            $this->standings[$before] = new Standing(Status::ToDo, $event, $standing->flagged);
        }
    }

    private function stepIs(string $step, Event $event): void
    {
        if ($event->kind === EventKind::Reworked || $this->isApart($step, $event)) {
            return;
        }
        $flagged = $this->at($step)->flagged;
        if ($event->kind === EventKind::Flagged) {
            $before = $this->at($step);
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

    /**
     * Looks whether a record was made without knowing of what the step stands by.
     *
     * @return bool whether that stands all the same
     */
    private function isApart(string $step, Event $event): bool
    {
        if (! $event->saysOnWhat()) {
            return false;
        }
        $this->conflicts[$step] = array_values(
            array_filter(
                $this->conflicts[$step] ?? [],
                static fn (Conflict $conflict): bool => ! $conflict->isKnownTo($event),
            ),
        );
        $standing = $this->at($step);
        $by = $standing->flagged?->flag()?->reopens() === true ? $standing->flagged : $standing->by;
        $knows = static fn (?Event $other): bool => $other === null ||
            $other->on === null ||
            in_array($other->id, $event->on ?? [], true);
        if ($event->kind === EventKind::TakenBack) {
            foreach ($this->onTop($step) as $later) {
                $top = $this->of($later)->by;
                if ($top !== null && ! $knows($top)) {
                    $this->conflicts[$step][] = new Conflict(Dispute::Beneath, $event, $top);
                }
            }

            return false;
        }
        if (! $event->kind->isDone() && $event->kind !== EventKind::Skipped) {
            return false;
        }
        if ($by !== null && $by->step !== '' && ! $knows($by)) {
            $this->conflicts[$step][] = new Conflict(
                $standing->status->isSettled() ? Dispute::Twice : Dispute::Unaware,
                $by,
                $event,
            );

            return true;
        }
        foreach ($this->holds as $hold) {
            if (! $knows($hold)) {
                $this->conflicts[$step][] = new Conflict(Dispute::Stopped, $hold, $event);
            }
        }

        return false;
    }

    /** Recorded for an end or a run at once, away from the bench. */
    private function whole(Event $event): void
    {
        foreach ($this->operations as $operation) {
            if ($this->covers($event, $operation) && ! $this->at($operation->id)->status->isSettled()) {
                $this->standings[$operation->id] = new Standing(
                    Status::Done,
                    $event,
                    $this->at($operation->id)->flagged,
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
