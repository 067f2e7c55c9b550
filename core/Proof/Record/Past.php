<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/**
 * What somebody had before them: what they name as what theirs was done on,
 * and what that was done on in its turn.
 */
final class Past
{
    /**
     * @param  list<string>  $on  ids
     * @param  list<Event>  $events  among which it is looked for, in order
     * @return list<Event> in the same order
     */
    public static function of(array $on, array $events): array
    {
        $byId = $known = [];
        foreach ($events as $event) {
            $byId[$event->id] = $event;
        }
        $asked = $on;
        while ($asked !== []) {
            $id = array_pop($asked);
            if (isset($known[$id]) || ! isset($byId[$id])) {
                continue;
            }
            $known[$id] = true;
            array_push($asked, ...$byId[$id]->on ?? []);
        }

        // What was recorded before anybody said on what is known to everybody by now.
        return array_values(
            array_filter($events, static fn (Event $event): bool => $event->on === null || isset($known[$event->id])),
        );
    }
}
