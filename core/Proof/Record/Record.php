<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use Closure;

/**
 * Everything that was done on one installation, in the order in which it was
 * done, as far as that is known: see {@see Order}. In whatever order the same
 * events arrive, it is the same record.
 */
final class Record
{
    /** @var ?Closure(): iterable<Event> */
    private readonly ?Closure $given;

    private ?Arranged $arranged;

    /**
     * @param  iterable<Event>|Closure(): iterable<Event>  $given  repeats of an id are the same event; where it is a
     *     closure, they are read when somebody asks for one
     * @param  ?Steps  $steps  where single steps are that are not among them; null: they are
     */
    public function __construct(iterable|Closure $given = [], private readonly ?Steps $steps = null)
    {
        $this->given = $given instanceof Closure ? $given : null;
        $this->arranged = $given instanceof Closure ? null : new Arranged($given);
    }

    /** @return list<Event> in their order */
    public function events(): array
    {
        return $this->arranged()->events;
    }

    private function arranged(): Arranged
    {
        return $this->arranged ??= new Arranged($this->given === null ? [] : ($this->given)());
    }

    /** Which of two came first: < 0, the first; 0, that is open. */
    public function compare(Event $a, Event $b): int
    {
        $arranged = $this->arranged();

        return $arranged->ofCauses
            ? ($arranged->place[$a->id] ?? PHP_INT_MAX) <=> ($arranged->place[$b->id] ?? PHP_INT_MAX)
            : $a->received <=> $b->received;
    }

    public function event(string $id): ?Event
    {
        $arranged = $this->arranged();

        return $arranged->events[$arranged->place[$id] ?? -1] ?? null;
    }

    /** @return list<Event> of one run, and the tests that are written down with it */
    public function of(string $run): array
    {
        return $this->arranged()->byRun[$run] ?? [];
    }

    /**
     * Tests that cover a run and are written down with another: they stay its
     * tests, whatever it is joined to or parted from since.
     *
     * @return list<Event>
     */
    public function covering(string $run): array
    {
        return $this->arranged()->covering[$run] ?? [];
    }

    /**
     * @param  list<string>  $runs
     * @return list<Event> of several runs, in order
     */
    public function together(array $runs): array
    {
        $events = [];
        foreach ($runs as $run) {
            foreach ([...$this->of($run), ...$this->covering($run)] as $event) {
                $events[$event->id] = $event;
            }
        }
        $events = array_values($events);
        if (count($events) > 1) {
            usort($events, $this->compare(...));
        }

        return $events;
    }

    /**
     * The same of some runs, with every single step.
     *
     * @param  list<string>  $runs  whole assemblies
     */
    public function closely(array $runs): self
    {
        return $this->steps === null ? $this : new self($this->steps->with($runs));
    }

    /** Whether anything was recorded on a run. */
    public function isBegun(string $run): bool
    {
        return $this->of($run) !== [] || ($this->steps?->hands($run) ?? []) !== [];
    }

    /**
     * Whether anything was recorded step by step on one of them.
     *
     * @param  list<string>  $runs
     */
    public function hasSteps(array $runs): bool
    {
        foreach ($runs as $run) {
            if ($this->stepsOf($run) !== []) {
                return true;
            }
        }

        return false;
    }

    /**
     * Of many steps that are kept apart not all are named: where all that are named are of one sort, all there are are.
     *
     * @return list<string> ids of steps that were recorded on a run, the first and the last by their text among them
     */
    public function stepsOf(string $run): array
    {
        $steps = array_map(static fn (Event $event): string => $event->step, $this->of($run));

        return array_values(array_filter([...$steps, ...$this->steps?->outermost($run) ?? []]));
    }

    /** @return list<string> who recorded anything on a run, in the order of what the record calls them by */
    public function hands(string $run): array
    {
        return self::named(
            array_map(static fn (Event $event): string => $event->by, $this->of($run)),
            $this->steps?->hands($run) ?? [],
        );
    }

    /**
     * @param  list<string>  $runs
     * @return list<string> who joined anything of them, in the order of what the record calls them by
     */
    public function makers(array $runs): array
    {
        $makers = [];
        foreach ($runs as $run) {
            array_push($makers, ...$this->steps?->makers($run) ?? []);
            foreach ($this->of($run) as $event) {
                if (in_array($event->kind, [EventKind::ContactJoined, EventKind::Joined, EventKind::Remade], true)) {
                    $makers[] = $event->by;
                }
            }
        }

        return self::named($makers);
    }

    /**
     * @param  list<string>  ...$people
     * @return list<string>
     */
    private static function named(array ...$people): array
    {
        $all = array_values(array_unique(array_merge(...$people)));
        sort($all, SORT_STRING);

        return $all;
    }
}
