<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * Everything that was done on one installation, in the order in which it was
 * done, as far as that is known: see {@see Order}. In whatever order the same
 * events arrive, it is the same record.
 */
final class Record
{
    /** @var array<int|string, list<Event>> */
    private array $byRun = [];

    /** @var array<int|string, list<Event>> run → tests that cover it and stand with another run */
    private array $covering = [];

    /** @var list<Event> */
    public readonly array $events;

    /** @var array<int|string, int> id → place in that order */
    private array $place = [];

    private readonly bool $ofCauses;

    /** @param  iterable<Event>  $events repeats of an id are the same event */
    public function __construct(iterable $events = [])
    {
        $once = [];
        foreach ($events as $event) {
            $once[$event->id] ??= $event;
        }
        $this->events = Order::of(array_values($once));
        $this->ofCauses = Order::isOfCauses($this->events);
        foreach ($this->events as $i => $event) {
            $this->place[$event->id] = $i;
            $this->byRun[$event->run][] = $event;
            foreach ($event->covers() as $run) {
                if ($run !== $event->run) {
                    $this->covering[$run][] = $event;
                }
            }
        }
    }

    /** Which of two came first: < 0, the first; 0, that is open. */
    public function compare(Event $a, Event $b): int
    {
        return $this->ofCauses
            ? ($this->place[$a->id] ?? PHP_INT_MAX) <=> ($this->place[$b->id] ?? PHP_INT_MAX)
            : $a->received <=> $b->received;
    }

    public function event(string $id): ?Event
    {
        return $this->events[$this->place[$id] ?? -1] ?? null;
    }

    /** @return list<Event> of one run, and the tests that are written down with it */
    public function of(string $run): array
    {
        return $this->byRun[$run] ?? [];
    }

    /**
     * Tests that cover a run and are written down with another: they stay its
     * tests, whatever it is joined to or parted from since.
     *
     * @return list<Event>
     */
    public function covering(string $run): array
    {
        return $this->covering[$run] ?? [];
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
}
