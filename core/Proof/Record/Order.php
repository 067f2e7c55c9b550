<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * The order in which things were done. What somebody had before them when they
 * did something came before it (Lamport, "Time, Clocks, and the Ordering of
 * Events in a Distributed System", Communications of the ACM 21/7, 1978);
 * clocks order only what no cause orders, and ids what clocks do not. A clock
 * that says a time before that of a cause was wrong: its event has its place
 * after the cause, and nothing else moves for it, so that the place of an event
 * follows from its past alone. Records of earlier versions said nothing of
 * causes: they stand by when they were received, and among themselves as they
 * always did.
 */
final class Order
{
    /**
     * @param  list<Event>  $events  each once, in any order; those of earlier versions as they were received
     * @return list<Event>
     */
    public static function of(array $events): array
    {
        if (! self::isOfCauses($events)) {
            return $events;
        }
        $follows = Following::among($events);
        $before = $since = [];
        foreach ($events as $event) {
            if ($follows->isFollowing($event)) {
                continue;
            }
            if ($event->on === null) {
                $before[] = $event;
            } else {
                $since[] = $event;
            }
        }
        $places = Places::of($events, $follows);
        // Most have been there for long and are in order: they are laid between, not sorted with the others.
        usort(
            $since,
            // Of two that were done on the same by clocks that were behind, the clocks still say which came first.
            static fn (Event $a, Event $b): int => $places[$a->id]->compare($places[$b->id]) ?:
            strcmp($a->time(), $b->time()) ?:
            strcmp($a->id, $b->id),
        );

        return $follows->after(self::merged(self::asReceived($before), $since, $places));
    }

    /**
     * @param  list<Event>  $events
     * @return list<Event>
     */
    private static function asReceived(array $events): array
    {
        $last = '';
        foreach ($events as $event) {
            if (strcmp($last, $event->received) > 0) {
                usort($events, static fn (Event $a, Event $b): int => strcmp($a->received, $b->received));

                return $events;
            }
            $last = $event->received;
        }

        return $events;
    }

    /**
     * @param  list<Event>  $before  of earlier versions, by when they were received
     * @param  list<Event>  $since  by their places
     * @param  array<int|string, Place>  $places  by id
     * @return list<Event>
     */
    private static function merged(array $before, array $since, array $places): array
    {
        $all = [];
        $next = 0;
        foreach ($since as $event) {
            $time = $places[$event->id]->time;
            while (isset($before[$next]) && strcmp($before[$next]->received, $time) <= 0) {
                $all[] = $before[$next++];
            }
            $all[] = $event;
        }

        return [...$all, ...array_slice($before, $next)];
    }

    /**
     * Whether any of them is of a version that asks what things were done on.
     *
     * @param  list<Event>  $events
     */
    public static function isOfCauses(array $events): bool
    {
        foreach ($events as $event) {
            if ($event->on !== null) {
                return true;
            }
        }

        return false;
    }
}
