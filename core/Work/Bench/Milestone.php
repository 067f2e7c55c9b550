<?php

declare(strict_types=1);

namespace Sartal\Core\Work\Bench;

use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\StepKind;

/** A bead of a run's strand that the bench fills: it stands while every operation that counts for it is settled. */
final readonly class Milestone
{
    private function __construct(public EventKind $kind, public string $run, public ?Side $side)
    {
    }

    /**
     * The very thing that it says was done: left out, it was not. An end is
     * made without a part that was left out of it, and shows that.
     */
    public function isOf(Task $task): bool
    {
        return match ($this->kind) {
            EventKind::Cut => $task === Task::Cut,
            EventKind::Pulled => $task === Task::Pull,
            EventKind::Inspected => $task === Task::Inspect,
            EventKind::Labelled => true,
            default => false,
        };
    }

    public function key(): string
    {
        return $this->kind->value.'|'.$this->run.'|'.($this->side->value ?? '');
    }

    /** @return array<int|string, self> by key: what an operation counts for */
    public static function countedBy(Operation $operation): array
    {
        $whole = match ($operation->task) {
            Task::Cut => EventKind::Cut,
            Task::Pull => EventKind::Pulled,
            default => null,
        };
        if ($whole !== null) {
            $made = new self($whole, $operation->run, null);

            return [$made->key() => $made];
        }
        $side = $operation->side;
        if ($side === null || $operation->step->kind === StepKind::Thread) {
            return [];
        }
        $label = $operation->step->kind === StepKind::Label;
        $made = [];
        $runs = array_unique([
            $operation->run,
            ...$operation->with,
            ...array_map(static fn (BenchCore $core): string => $core->run, $operation->cores),
        ]);
        foreach ($runs as $run) {
            $made[] = $label ? new self(EventKind::Labelled, $run, null) : new self(EventKind::Joined, $run, $side);
            // Looked over stands with both ends: it is what was seen before they were closed.
            if (! $label) {
                $made[] = new self(EventKind::Inspected, $run, null);
            }
        }

        return array_combine(array_map(static fn (self $each): string => $each->key(), $made), $made);
    }
}
