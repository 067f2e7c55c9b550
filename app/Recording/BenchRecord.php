<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredInstallation;
use App\Planning\Recorded;
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
        $rows = $stored->events();
        $rows->whereIn('run', $runs);

        return Order::of(Recorded::read($stored, $rows));
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
