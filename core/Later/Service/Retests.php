<?php

declare(strict_types=1);

namespace Sartal\Core\Later\Service;

use DateTimeImmutable;
use Sartal\Core\Given\Installation\TestStage;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Proof\Record\Trials;
use Sartal\Core\Proof\Testing\Verdict;

/** Periodic tests: so many months after the last one in place that passed, as the house has it. */
final class Retests
{
    /** @return list<Retest> of what has an interval, the next one due first; what was never tested in place last */
    public static function due(ServiceFacts $facts, Record $record): array
    {
        $retests = [];
        foreach ($facts->assemblies as $id => $assembly) {
            $isApart = $assembly['mains'] && $facts->mainsMonths > 0;
            $months = $isApart ? $facts->mainsMonths : $facts->months;
            if ($months === 0 || $assembly['withdrawn']) {
                continue;
            }
            $events = $record->together($assembly['runs']);
            $last = Trials::among($events)->last(TestStage::Installed);
            $day = $last?->verdict() === Verdict::Passes ? substr($last->at, 0, 10) : '';
            $retests[] = new Retest(
                (string) $id,
                $assembly['mains'],
                $day,
                $day === '' ? '' : self::later($day, $months),
                $months,
            );
        }
        usort(
            $retests,
            static fn (Retest $a, Retest $b): int => ($a->due === '') <=> ($b->due === '') ?:
            $a->due <=> $b->due ?:
            $a->assembly <=> $b->assembly,
        );

        return $retests;
    }

    /** The same day so many months later; the last one of a month that has no such day. */
    public static function later(string $day, int $months): string
    {
        $first = new DateTimeImmutable(substr($day, 0, 7).'-01');
        $month = $first->modify(sprintf('+%d months', $months));
        $last = (int) $month->format('t');

        return $month->format('Y-m-').sprintf('%02d', min((int) substr($day, 8, 2), $last));
    }
}
