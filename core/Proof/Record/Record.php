<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Everything that was done on one installation, in the order in which it was received. */
final class Record
{
    /** @var array<int|string, list<Event>> */
    private array $byRun = [];

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
        }
    }

    /** @return list<Event> of one run, or of the assembly that goes by its id */
    public function of(string $run): array
    {
        return $this->byRun[$run] ?? [];
    }

    /**
     * @param  list<string>  $runs
     * @return list<Event> of several runs, as they were received
     */
    public function together(array $runs): array
    {
        $events = array_merge(...array_map($this->of(...), $runs), ...[[]]);
        if (count($runs) > 1) {
            usort($events, static fn (Event $a, Event $b): int => $a->received <=> $b->received);
        }

        return $events;
    }
}
