<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredInstallation;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\Problems;
use Sartal\Core\Proof\Record\Event;

/** What was recorded on some runs, without reading the rest of the installation. */
final class BenchRecord
{
    /**
     * @param  list<string>  $runs
     * @return list<Event> as they were received
     */
    public function events(StoredInstallation $stored, array $runs): array
    {
        $problems = new Problems();
        $events = [];
        foreach (
            $stored
                ->events()
                ->toBase()
                ->whereIn('run', $runs)
                ->get(['uuid', 'definition']) as $row
        ) {
            $events[] = EventCodec::decode(
                Fields::from(json_decode($row->definition, true), 'record.'.$row->uuid, $problems),
            );
        }
        $problems->settle();

        return $events;
    }

    /**
     * Grows with everything that is recorded on these runs.
     *
     * @param  list<string>  $runs
     */
    public function cursor(StoredInstallation $stored, array $runs): int
    {
        return (int) $stored->events()->toBase()->reorder()->whereIn('run', $runs)->max('id');
    }
}
