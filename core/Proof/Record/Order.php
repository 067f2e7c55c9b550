<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * The order in which things were done. What somebody had before them when they
 * did something came before it (Lamport, "Time, Clocks, and the Ordering of
 * Events in a Distributed System", Communications of the ACM 21/7, 1978);
 * clocks order only what no cause orders, and ids what clocks do not. Records
 * of earlier versions said nothing of causes: they stand by when they were
 * received, and among themselves as they always did.
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
        $linked = false;
        foreach ($events as $event) {
            if ($follows->isFollowing($event)) {
                continue;
            }
            if ($event->on === null) {
                $before[] = $event;
            } else {
                $since[] = $event;
                $linked = $linked || $event->on !== [];
            }
        }
        // Most have been there for long and are in order: they are laid between, not sorted with the others.
        usort($since, static fn (Event $a, Event $b): int => strcmp($a->time(), $b->time()) ?: strcmp($a->id, $b->id));
        $ordered = self::merged(self::asReceived($before), $since);

        return $follows->after($linked ? self::causesFirst($ordered, $follows) : $ordered);
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
     * @param  list<Event>  $since  by their clocks
     * @return list<Event>
     */
    private static function merged(array $before, array $since): array
    {
        $all = [];
        $next = 0;
        foreach ($since as $event) {
            $time = $event->time();
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

    /**
     * Each event as early as its key has it, its causes before it. What would
     * be its own cause is no cause.
     *
     * @param  list<Event>  $events  without what follows from others
     * @return list<Event>
     */
    private static function causesFirst(array $events, Following $follows): array
    {
        $byId = [];
        foreach ($events as $event) {
            $byId[$event->id] = $event;
        }
        $ordered = [];
        // id → whether it has its place, or is only being asked about.
        $state = [];
        foreach ($events as $event) {
            if (($event->on ?? []) === [] && ! isset($state[$event->id])) {
                $state[$event->id] = true;
                $ordered[] = $event;

                continue;
            }
            $stack = [$event];
            while ($stack !== []) {
                $top = $stack[count($stack) - 1];
                if (($state[$top->id] ?? null) === true) {
                    array_pop($stack);

                    continue;
                }
                $waits = [];
                if (! isset($state[$top->id])) {
                    $state[$top->id] = false;
                    foreach ($top->on ?? [] as $named) {
                        $id = $follows->cause($named);
                        if (isset($byId[$id]) && ! isset($state[$id])) {
                            $waits[] = $byId[$id];
                        }
                    }
                }
                if ($waits !== []) {
                    array_push($stack, ...array_reverse($waits));

                    continue;
                }
                $state[$top->id] = true;
                $ordered[] = $top;
                array_pop($stack);
            }
        }

        return $ordered;
    }
}
