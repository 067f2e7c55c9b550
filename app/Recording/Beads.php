<?php

declare(strict_types=1);

namespace App\Recording;

use App\Bench\Job;
use App\Bench\Jobs;
use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Work\Bench\Milestones;

/** Keeps what follows from the steps at the bench as it follows, whatever arrives in whatever order. */
final readonly class Beads
{
    public function __construct(private BenchRecord $records, private Jobs $jobs)
    {
    }

    /** Until the transaction ends, nobody else writes on this assembly. */
    public static function lock(StoredInstallation $stored, string $assembly): void
    {
        DB::select('select pg_advisory_xact_lock(?, hashtext(?))', [$stored->id, 'bench:'.$assembly]);
    }

    /** @return list<string> */
    public static function runs(Job $job, string $assembly): array
    {
        return array_map(
            strval(...),
            array_keys(array_filter($job->assemblyOf, static fn (string $of): bool => $of === $assembly)),
        );
    }

    /** @return list<Event> of an assembly, in the order in which they were done */
    public function events(StoredInstallation $stored, Job $job, string $assembly): array
    {
        return $this->records->events($stored, self::runs($job, $assembly));
    }

    /**
     * After something was recorded of the whole, away from the bench: steps that were done after it may fill or empty
     * other beads than before.
     *
     * @param  list<string>  $runs  of the assembly
     */
    public function arrived(StoredInstallation $stored, string $assembly, array $runs, Event $event): void
    {
        $steps = $stored->events()->toBase()->reorder()->whereIn('run', $runs)->where('step', '<>', '');
        if (! $steps->exists()) {
            return;
        }
        $before = array_values(
            array_filter(
                $this->records->events($stored, $runs),
                static fn (Event $each): bool => $each->id !== $event->id,
            ),
        );
        $job = Milestones::isLast($before, $event) ? null : $this->jobs->of($stored, [$assembly]);
        if ($job !== null) {
            $this->follow($stored, $job, $assembly, $before, $event);
        }
    }

    /**
     * After a record was written down.
     *
     * @param  list<Event>  $before  of the assembly, without it
     */
    public function follow(StoredInstallation $stored, Job $job, string $assembly, array $before, Event $event): void
    {
        $milestones = new Milestones($job->operationsOf($assembly), $job->fingerprints);
        $now = $milestones->with($before, $event);
        if ($now->gone !== []) {
            StoredEvent::query()->where('installation_id', $stored->id)->whereIn('uuid', $now->gone)->delete();
        }
        foreach ($now->written as $milestone) {
            StoredEvent::derive($stored, $milestone);
        }
    }
}
