<?php

declare(strict_types=1);

namespace App\Documents\Pack;

use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Verdict;

/** Assembly by assembly: the result that counts, and everything that was done to it. */
final class CertificatesChapter
{
    public static function write(Book $book, PackContents $packing): void
    {
        $loaded = $packing->loaded;
        foreach ($loaded->plan()->assemblies as $assembly) {
            $runs = array_values(
                array_filter(
                    $assembly->runs,
                    static fn (string $run): bool => ! $loaded->installation->runs()[$run]->withdrawn,
                ),
            );
            if ($runs === []) {
                continue;
            }
            $events = $loaded->record->together($assembly->runs);
            $counts = Trials::among($events)->current();
            $codes = implode(
                ', ',
                array_map(static fn (string $run): string => $loaded->installation->runs()[$run]->code, $runs),
            );
            $book->heading(
                $codes,
                match ($counts?->verdict()) {
                    Verdict::Passes => 'passed',
                    Verdict::Fails => 'FAILED',
                    Verdict::Incomplete => 'not tested to its end',
                    null => 'not tested',
                },
            );
            if ($counts !== null) {
                $book->line(
                    sprintf(
                        'Counts: the test %s of %s, by %s%s.',
                        $counts->stage()->words(),
                        self::time($counts->at),
                        $packing->person($counts->by),
                        $counts->instrument === '' ? '' : ', with '.$loaded->instruments()->named($counts),
                    ),
                );
            }
            if ($events === []) {
                continue;
            }
            $book->table([[0, 'When'], [32, 'What'], [70, 'Who'], [112, 'With, and note']]);
            foreach (self::history($events) as [$event, $times]) {
                $what =
                    $event->kind->value.
                    ($event->side === null ? '' : ' '.$event->side->value).
                    ($event->kind === EventKind::Tested ? ' '.($event->verdict()->value ?? '') : '').
                    ($times > 1 ? sprintf(' × %d', $times) : '');
                $book->row(
                    [
                        self::time($event->at),
                        (count($runs) > 1
                            ? ($loaded->installation->runs()[$event->run]->code ?? $event->run).' '
                            : '').$what,
                        $packing->person($event->by),
                        trim(
                            $loaded->instruments()->named($event).
                                ($event->note === '' ? '' : ($event->instrument === '' ? '' : ': ').$event->note),
                        ),
                    ],
                    $event->verdict() === Verdict::Fails ? '#b0302b' : '#22302f',
                );
            }
        }
    }

    /**
     * All that happened, steps of one kind by one person in a row as one line.
     *
     * @param  list<Event>  $events
     * @return list<array{Event, int}>
     */
    private static function history(array $events): array
    {
        $lines = [];
        foreach ($events as $event) {
            $last = $lines === [] ? null : array_pop($lines);
            if ($last !== null && self::isAlike($last[0], $event)) {
                $lines[] = [$last[0], $last[1] + 1];
            } else {
                array_push($lines, ...$last === null ? [] : [$last], ...[[$event, 1]]);
            }
        }

        return $lines;
    }

    private static function isAlike(Event $one, Event $other): bool
    {
        return $one->step !== '' &&
            $other->step !== '' &&
            $one->note === '' &&
            $other->note === '' &&
            [$one->kind, $one->by, $one->run, $one->side] === [$other->kind, $other->by, $other->run, $other->side];
    }

    private static function time(string $at): string
    {
        return substr($at, 0, 10).' '.substr($at, 11, 5);
    }
}
