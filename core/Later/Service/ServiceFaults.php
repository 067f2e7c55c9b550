<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

use Closure;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Testing\Verdict;

/** Faults that were reported in service: each is closed by a repair and a test after it that passes. */
final class ServiceFaults
{
    /**
     * @param  array<int|string, string>  $assemblyOf  by run
     * @return list<ServiceFault> the latest report first
     */
    public static function open(Record $record, array $assemblyOf): array
    {
        $assembly = static fn (string $run): string => $assemblyOf[$run] ?? $run;

        return self::in($record->events(), static fn (string $a, string $b): bool => $assembly($a) === $assembly($b));
    }

    /**
     * @param  list<Event>  $events  of one assembly, in order
     * @return list<ServiceFault> the latest report first
     */
    public static function among(array $events): array
    {
        return self::in($events, static fn (): bool => true);
    }

    /**
     * @param  list<Event>  $events
     * @param  Closure(string, string): bool  $together  whether two runs are of one assembly
     * @return list<ServiceFault>
     */
    private static function in(array $events, Closure $together): array
    {
        $faults = [];
        foreach ($events as $event) {
            if ($event->kind === EventKind::Reported) {
                $faults[$event->id] = new ServiceFault($event);
            } elseif ($event->kind === EventKind::Repaired && isset($faults[$event->of()])) {
                $faults[$event->of()] = new ServiceFault($faults[$event->of()]->report, $event);
            } elseif ($event->kind === EventKind::Tested) {
                foreach ($faults as $id => $fault) {
                    if (
                        $together($fault->report->run, $event->run) &&
                        $fault->repair !== null &&
                        ! $fault->isClosed() &&
                        $event->verdict() === Verdict::Passes
                    ) {
                        $faults[$id] = new ServiceFault($fault->report, $fault->repair, $event);
                    }
                }
            }
        }

        return array_reverse(array_values($faults));
    }
}
