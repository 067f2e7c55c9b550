<?php

declare(strict_types=1);

namespace App\Formats;

use DateTimeImmutable;
use Sartal\Core\Work\Forecasting\WorkingDays;

/**
 * A file as if its work had been done on the last working days: what a demo shows of somebody's last weeks is of the
 * weeks before it was loaded. Nothing comes before what it came after.
 */
final class RecentRecord
{
    /** Hour of the day at which work begins, and s that it goes on for. */
    private const MORNING = 8;

    private const SHIFT = 8 * 3600;

    /** So many single steps take as long as something that is recorded as a whole. */
    private const WHOLE = 4;

    private const TIME = 'Y-m-d\TH:i:s.u\Z';

    /**
     * @param  array<int|string, mixed>  $file  of the shape of an installation's file
     * @param  int  $days  over which its record is spread
     * @return array<int|string, mixed>
     */
    public static function of(array $file, DateTimeImmutable $today, int $days): array
    {
        $record = array_values(array_filter(is_array($file['record'] ?? null) ? $file['record'] : [], is_array(...)));
        $weights = [];
        foreach ($record as $event) {
            $weights[self::at($event)] ??= 0;
            $weights[self::at($event)] += isset($event['step']) ? 1 : self::WHOLE;
        }
        ksort($weights, SORT_STRING);
        if ($weights === []) {
            return $file;
        }
        $on = WorkingDays::before($today, $days, '0000-00-00');
        $new = [];
        [$before, $all] = [0, array_sum($weights)];
        foreach ($weights as $time => $weight) {
            $place = $before / $all * $days;
            $new[$time] = (new DateTimeImmutable($on[(int) $place].'T00:00:00Z'))
                ->setTime(self::MORNING, 0)
                ->modify(sprintf('+%d seconds', (int) (($place - (int) $place) * self::SHIFT)));
            $before += $weight;
        }
        $last = (string) array_key_last($weights);
        $since = (new DateTimeImmutable(substr($last, 0, 10)))->diff(new DateTimeImmutable($on[$days - 1]));
        $file['record'] = array_map(static function (array $event) use ($new): array {
            $at = self::at($event);
            $received = is_string($event['received'] ?? null) ? $event['received'] : $at;
            $late = (new DateTimeImmutable($received))->getTimestamp() - (new DateTimeImmutable($at))->getTimestamp();

            return [
                ...$event,
                'at' => $new[$at]->format(self::TIME),
                'received' => $new[$at]->modify(sprintf('+%d seconds', max(0, $late)))->format(self::TIME),
            ];
        }, $record);
        // What is dated ahead is as far ahead as it was.
        $later = static fn (mixed $day): mixed => is_string($day) && $day !== ''
            ? (new DateTimeImmutable($day))->add($since)->format('Y-m-d')
            : $day;
        foreach (is_array($file['instruments'] ?? null) ? $file['instruments'] : [] as $i => $instrument) {
            if (is_array($instrument) && isset($instrument['calibratedTo'])) {
                $instrument['calibratedTo'] = $later($instrument['calibratedTo']);
                $file['instruments'][$i] = $instrument;
            }
        }
        if (is_array($file['workshop'] ?? null) && isset($file['workshop']['wanted'])) {
            $file['workshop']['wanted'] = $later($file['workshop']['wanted']);
        }

        return $file;
    }

    /** @param  array<array-key, mixed>  $event */
    private static function at(array $event): string
    {
        return is_string($event['at'] ?? null) ? $event['at'] : '';
    }
}
