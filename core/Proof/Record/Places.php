<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** Where events have their places: each after its causes, and otherwise at the time its clock says. */
final class Places
{
    /**
     * What would be its own cause is no cause.
     *
     * @param  list<Event>  $events
     * @return array<int|string, Place> by id, of all that do not merely follow
     */
    public static function of(array $events, Following $follows): array
    {
        $byId = $places = [];
        foreach ($events as $event) {
            if ($follows->isFollowing($event)) {
                continue;
            }
            if ($event->on === null) {
                $places[$event->id] = new Place($event->received);
            } elseif ($event->on === []) {
                $places[$event->id] = new Place($event->time());
            } else {
                $byId[$event->id] = $event;
            }
        }
        // Where some are each other's causes, it is the same one that gives way, in whatever order they arrived.
        uasort($byId, static fn (Event $a, Event $b): int => strcmp($a->time(), $b->time()) ?: strcmp($a->id, $b->id));
        // id → that it is being asked about
        $asked = [];
        foreach ($byId as $event) {
            $stack = isset($places[$event->id]) ? [] : [$event];
            while ($stack !== []) {
                $top = $stack[count($stack) - 1];
                $isNew = ! isset($asked[$top->id]);
                $asked[$top->id] = true;
                $place = new Place($top->time());
                $waits = [];
                foreach ($top->on ?? [] as $named) {
                    $cause = $follows->cause($named);
                    if (isset($places[$cause])) {
                        $place = $place->after($places[$cause]);
                    } elseif ($isNew && isset($byId[$cause]) && ! isset($asked[$cause])) {
                        $waits[] = $byId[$cause];
                    }
                }
                if ($waits === []) {
                    $places[$top->id] ??= $place;
                    array_pop($stack);
                } else {
                    array_push($stack, ...$waits);
                }
            }
        }

        return $places;
    }
}
