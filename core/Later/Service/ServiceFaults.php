<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

use Sartal\Core\Plan\Planning\Plan;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Testing\Verdict;

/** Faults that were reported in service: each is closed by a repair and a test after it that passes. */
final class ServiceFaults
{
    /** @return list<ServiceFault> the latest report first */
    public static function open(Record $record, Plan $plan): array
    {
        $faults = [];
        foreach ($record->events as $event) {
            if ($event->kind === EventKind::Reported) {
                $faults[$event->id] = new ServiceFault($event);
            } elseif ($event->kind === EventKind::Repaired && isset($faults[$event->of()])) {
                $faults[$event->of()] = new ServiceFault($faults[$event->of()]->report, $event);
            } elseif ($event->kind === EventKind::Tested) {
                foreach ($faults as $id => $fault) {
                    $same =
                        ($plan->assemblyOf[$fault->report->run] ?? '') ===
                        ($plan->assemblyOf[$event->run] ?? $event->run);
                    if (
                        $same &&
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
