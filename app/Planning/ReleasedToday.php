<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\File\DecisionKind;
use Sartal\Core\File\TestingCodec;

/** What was released, with what is today's whatever is released: stock, instruments and what was measured since. */
final class ReleasedToday
{
    /**
     * @param  array<int|string, mixed>  $data  as it was released, in the shape of a file
     * @return array<int|string, mixed>
     */
    public static function data(StoredInstallation $stored, array $data): array
    {
        $live = array_column(
            array_filter(DecisionKind::entries(), static fn (DecisionKind $kind): bool => $kind->isLive()),
            null,
            'value',
        );
        foreach ($live as $kind) {
            $data[$kind->list()] = [];
        }
        $entries = $stored->entries()->toBase()->whereIn('kind', array_keys($live));
        foreach ($entries->get(['kind', 'definition']) as $part) {
            $data[$live[$part->kind]->list()][] = json_decode($part->definition, true);
        }
        $data['runs'] = self::measured($stored, is_array($data['runs'] ?? null) ? $data['runs'] : []);
        // When what is in service is tested again is said after the last release as a rule.
        $months = array_fill_keys(TestingCodec::IN_SERVICE, 0);
        $released = is_array($data['testing'] ?? null) ? $data['testing'] : [];
        $testing = array_diff_key($released, $months) + array_intersect_key($stored->testing, $months);

        return [
            'economy' => $stored->economy,
            'workshop' => $stored->workshop,
            ...$testing === [] ? [] : ['testing' => $testing],
        ] + array_diff_key($data, ['testing' => []]);
    }

    /**
     * @param  array<int|string, mixed>  $runs  as they were released
     * @return array<int|string, mixed> with what was measured since
     */
    private static function measured(StoredInstallation $stored, array $runs): array
    {
        $meant = [];
        foreach ($runs as $i => $run) {
            if (is_array($run) && is_string($run['id'] ?? null) && MeasuredLegs::areMeantIn($run)) {
                $meant[$run['id']] = $i;
            }
        }
        if ($meant === []) {
            return $runs;
        }
        $ids = array_map(strval(...), array_keys($meant));
        foreach ($stored->runs()->toBase()->whereIn('key', $ids)->get(['key', 'definition']) as $live) {
            $definition = json_decode($live->definition, true);
            $i = $meant[$live->key];
            $released = $runs[$i];
            if (is_array($definition) && is_array($released)) {
                $runs[$i] = MeasuredLegs::into($released, MeasuredLegs::of($definition));
            }
        }

        return $runs;
    }
}
