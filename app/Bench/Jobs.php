<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use Illuminate\Support\Facades\Cache;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Work\Bench\Covers;
use Sartal\Core\Work\Bench\OperationPlanner;
use Sartal\Core\Work\Bench\Traveller;

/**
 * Jobs by the ids of their assemblies. A job follows from decisions alone,
 * so it is kept until one of them changes: a confirmation does not plan the
 * installation again.
 */
final class Jobs
{
    /** s */
    public const KEPT = 7 * 24 * 3600;

    /** Jobs in memory at once. */
    private const AT_HAND = 60;

    private ?Loaded $loaded = null;

    /** @var array<int|string, ?Job> by the name under which they are kept */
    private array $known = [];

    public function __construct(private readonly InstallationStore $store)
    {
    }

    /**
     * @param  list<string>  $ids
     * @return ?Job null where one of them is no assembly
     */
    public function of(StoredInstallation $stored, array $ids): ?Job
    {
        $key = self::key($stored, $ids);
        $ids = self::sorted($ids);

        if (! array_key_exists($key, $this->known)) {
            // A request that goes through all of them does not hold all of them.
            if (count($this->known) >= self::AT_HAND) {
                $this->known = [];
            }
            $this->known[$key] = $this->kept($stored, $ids, $key);
        }

        return $this->known[$key];
    }

    /**
     * Under which a job is kept, and whatever follows from it alone.
     *
     * @param  list<string>  $ids
     */
    private static function key(StoredInstallation $stored, array $ids): string
    {
        return sprintf(
            'job.%s.%s.%s.%s',
            CodeEdition::id(),
            $stored->mark(),
            $stored->edition(),
            hash('xxh128', implode('|', self::sorted($ids))),
        );
    }

    /**
     * @param  list<string>  $ids
     * @return list<string>
     */
    private static function sorted(array $ids): array
    {
        $ids = array_values(array_unique($ids));
        sort($ids);

        return $ids;
    }

    /**
     * Of one assembly, and not kept: whoever goes through all of them needs each of them once.
     *
     * @return ?Job null where it is no assembly
     */
    public function passing(StoredInstallation $stored, string $id): ?Job
    {
        return $this->make($this->loaded($stored), [$id]);
    }

    /**
     * Under which decisions it was asked for leads to what it follows from, and that to the job: a decision that does
     * not touch it leaves it kept.
     *
     * @param  list<string>  $ids
     */
    private function kept(StoredInstallation $stored, array $ids, string $key): ?Job
    {
        $made = Cache::store('file')->get($key);
        if (! is_string($made)) {
            $prints = JobBooks::keptPrints($stored, $ids);
            $made = $prints === null ? null : self::made($stored, $prints);
        }
        $kept = $made === null ? null : Cache::store('file')->get($made);
        $job = is_string($kept) ? unserialize($kept) : null;
        if ($made === null || ! ($job instanceof Job)) {
            $job = $this->make($this->loaded($stored), $ids);
            if ($job === null) {
                return null;
            }
            $made = self::made($stored, JobBooks::prints($stored, $this->loaded($stored), $job->assemblies));
            $job = $job->keptAs($made);
            Cache::store('file')->put($made, serialize($job), self::KEPT);
        }
        Cache::store('file')->put($key, $made, self::KEPT);

        return $job;
    }

    /** @param  array<int|string, string>  $prints  by assembly */
    private static function made(StoredInstallation $stored, array $prints): string
    {
        ksort($prints, SORT_STRING);

        return sprintf('job.made.%s.%s.%s', CodeEdition::id(), $stored->mark(), hash('xxh128', serialize($prints)));
    }

    /** Where nothing is released, what is decided is what is worked from: it need not be read again. */
    public function know(Loaded $decided): void
    {
        if ($decided->stored->release_id === null) {
            $this->loaded ??= $decided;
        }
    }

    public function loaded(StoredInstallation $stored): Loaded
    {
        $state = $this->loaded?->stored;
        if ($this->loaded === null || $state?->id !== $stored->id || $state->revision !== $stored->revision) {
            $this->loaded = $this->store->atWork($stored);
        }

        return $this->loaded;
    }

    /** @param  list<string>  $ids */
    private function make(Loaded $loaded, array $ids): ?Job
    {
        $plan = $loaded->plan();
        // A run leads to the assembly that it belongs to.
        $ids = array_values(
            array_unique(array_map(static fn (string $id): string => $plan->assemblyOf[$id] ?? $id, $ids)),
        );
        $operations = $assemblyOf = $fingerprints = [];
        $runs = array_merge(
            ...array_map(
                static fn (string $id): array => ($plan->assemblies[$id] ?? new Assembly('', [], []))->runs,
                $ids,
            ),
            ...[[]],
        );
        $planner = new OperationPlanner(
            $loaded->installation,
            (new Covers($loaded->installation, $plan->layout, $loaded->dresser()))->of($runs),
        );
        foreach ($ids as $id) {
            $assembly = $plan->assemblies[$id] ?? null;
            if ($assembly === null) {
                return null;
            }
            array_push($operations, ...$planner->of($assembly, $plan->runs));
            foreach ($assembly->runs as $run) {
                $assemblyOf[$run] = $id;
                $fingerprints[$run] = $plan->reliedOn($run);
            }
        }

        return new Job($ids, Traveller::order($operations, $loaded->installation->rules()), $assemblyOf, $fingerprints);
    }
}
