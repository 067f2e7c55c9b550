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
        $keys = $byId = [];
        $linked = false;
        if (! self::isOfCauses($events)) {
            return $events;
        }
        foreach ($events as $event) {
            $keys[$event->id] = $event->on === null ? $event->received : $event->time();
            $linked = $linked || $event->saysOnWhat();
        }
        usort($events, static fn (Event $a, Event $b): int => self::compare($a, $b, $keys));
        if (! $linked) {
            return $events;
        }
        foreach ($events as $event) {
            $byId[$event->id] = $event;
        }

        return self::causesFirst($events, $byId);
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

    /** @param  array<int|string, string>  $keys */
    private static function compare(Event $a, Event $b, array $keys): int
    {
        return strcmp($keys[$a->id], $keys[$b->id]) ?:
            ($a->on !== null) <=> ($b->on !== null) ?:
            ($a->on === null
                ? 0
                : strcmp($a->id, $b->id));
    }

    /**
     * Each event as early as its key has it, its causes before it. What would
     * be its own cause is no cause.
     *
     * @param  list<Event>  $events
     * @param  array<int|string, Event>  $byId
     * @return list<Event>
     */
    private static function causesFirst(array $events, array $byId): array
    {
        $ordered = [];
        $state = [];
        foreach ($events as $event) {
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
                    foreach ($top->on ?? [] as $id) {
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
