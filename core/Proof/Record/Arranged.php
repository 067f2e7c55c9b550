<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Events of a record, each once, in the order in which they were done: {@see Order}. */
final readonly class Arranged
{
    /** @var list<Event> */
    public array $events;

    /** @var array<int|string, list<Event>> */
    public array $byRun;

    /** @var array<int|string, list<Event>> run → tests that cover it and stand with another run */
    public array $covering;

    /** @var array<int|string, int> id → place in that order */
    public array $place;

    public bool $ofCauses;

    /** @param  iterable<Event>  $events  repeats of an id are the same event */
    public function __construct(iterable $events)
    {
        $once = $place = $byRun = $covering = [];
        foreach ($events as $event) {
            $once[$event->id] ??= $event;
        }
        $this->events = Order::of(array_values($once));
        $this->ofCauses = Order::isOfCauses($this->events);
        foreach ($this->events as $i => $event) {
            $place[$event->id] = $i;
            $byRun[$event->run][] = $event;
            foreach ($event->covers() as $run) {
                if ($run !== $event->run) {
                    $covering[$run][] = $event;
                }
            }
        }
        [$this->place, $this->byRun, $this->covering] = [$place, $byRun, $covering];
    }
}
