<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Everything that was done on one installation, in the order in which it was received. */
final class Record
{
    /** @var array<int|string, list<Event>> */
    private array $byRun = [];

    /** @var array<int|string, list<Event>> run → tests that cover it and stand with another run */
    private array $covering = [];

    /** @var list<Event> */
    public readonly array $events;

    /** @param  iterable<Event>  $events repeats of an id are the same event */
    public function __construct(iterable $events = [])
    {
        $once = [];
        foreach ($events as $event) {
            $once[$event->id] ??= $event;
        }
        $this->events = array_values($once);
        foreach ($this->events as $event) {
            $this->byRun[$event->run][] = $event;
            foreach ($event->covers() as $run) {
                if ($run !== $event->run) {
                    $this->covering[$run][] = $event;
                }
            }
        }
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
     * @return list<Event> of several runs, as they were received
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
            usort($events, static fn (Event $a, Event $b): int => $a->received <=> $b->received);
        }

        return $events;
    }
}
