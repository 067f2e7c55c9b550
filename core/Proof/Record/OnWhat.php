<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

/** What something that is done to an assembly now is done on: what it is made of, and the tests that stand. */
final class OnWhat
{
    /**
     * @param  list<Event>  $events  of all of the assembly's runs, in order
     * @return list<string> ids of events
     */
    public static function now(array $events): array
    {
        $basis = new Basis();
        foreach ($events as $event) {
            $basis->take($event);
        }
        $tests = array_map(static fn (Event $test): string => $test->id, Trials::among($events)->all());
        $on = array_values(array_unique([...$basis->made(), ...$tests]));
        sort($on, SORT_STRING);

        return $on;
    }
}
