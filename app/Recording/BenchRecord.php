<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use Sartal\Core\File\Problems;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Order;

/** What was recorded on some runs, without reading the rest of the installation. */
final class BenchRecord
{
    /**
     * @param  list<string>  $runs
     * @return list<Event> in the order in which they were done
     */
    public function events(StoredInstallation $stored, array $runs): array
    {
        $problems = new Problems();
        $rows = $stored->events();
        $rows->whereIn('run', $runs);
        $events = StoredEvent::read($stored, $rows, $problems);
        $problems->settle();

        return Order::of($events);
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
