<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;

/** What of the record a run's strand is read from. */
final class RunEvents
{
    /**
     * The run's own events, and the tests of its assembly.
     *
     * @param  list<string>  $together  runs of its assembly
     * @return list<Event>
     */
    public static function of(string $run, array $together, Record $record): array
    {
        $events = [...$record->of($run), ...$record->covering($run)];
        if (count($together) === 1 && $record->covering($run) === []) {
            return $events;
        }
        foreach ($together as $member) {
            foreach ($record->of($member) as $event) {
                $isTest = in_array($event->kind, [EventKind::Tested, EventKind::Settled], true);
                // A test that says what it covers is a test of that, and of nothing that was joined to it since.
                // A piece that another run is cut from anew is another run's, but what was tested with it is not the
                // same
                // any more. Records of earlier versions did not say so.
                $isCut = $event->kind === EventKind::Cut && $event->on !== null && $event->of() === '';
                if (
                    $member !== $run &&
                    ! ($isTest && $event->covers() !== []) &&
                    ($isCut ||
                        in_array(
                            $event->kind,
                            [
                                EventKind::Tested,
                                EventKind::Settled,
                                EventKind::Remade,
                                EventKind::Joined,
                                EventKind::Repaired,
                                EventKind::TakenBack,
                            ],
                            true,
                        )) &&
                    $event->step === ''
                ) {
                    // Of another run's ends only this matters here: a test before them no longer counts.
                    $events[] = $isTest ? $event : $event->withoutSide();
                }
            }
        }
        usort($events, $record->compare(...));

        return $events;
    }

    /**
     * Whether something among them says what was read.
     *
     * @param  list<Event>  $events
     */
    public static function relyOnReading(array $events): bool
    {
        foreach ($events as $event) {
            if ($event->kind === EventKind::Tested || $event->kind === EventKind::SignedOff) {
                return true;
            }
        }

        return false;
    }
}
