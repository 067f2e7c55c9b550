<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Record;

use DateTimeImmutable;

/** What is doubtful about when something is said to have been done. It is kept all the same. */
final class Doubt
{
    /** s by which clocks may differ without anybody minding. */
    private const NEAR = 120;

    /** @return string in words; "": nothing */
    public static function of(Event $event, Record $record): string
    {
        if ($event->on === null) {
            return '';
        }
        if (self::apart($event->received, $event->time()) > self::NEAR) {
            return 'The clock it was read off was ahead: it says a time after the record arrived.';
        }
        foreach ($event->on as $id) {
            $cause = $record->event($id);
            if ($cause !== null && self::apart($event->time(), $cause->time()) > self::NEAR) {
                return 'The clock it was read off was behind: it says a time before what it was done on.';
            }
        }

        return '';
    }

    /** s from one time to a later one; negative where it is earlier. */
    private static function apart(string $from, string $to): int
    {
        return (new DateTimeImmutable($to))->getTimestamp() - (new DateTimeImmutable($from))->getTimestamp();
    }
}
