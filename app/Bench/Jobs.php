<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\Loaded;
use App\Planning\Near;
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
    /** Jobs in memory at once. */
    private const AT_HAND = 60;

    private ?Loaded $loaded = null;

    /** @var array<int|string, ?Job> by the name under which they are kept */
    private array $known = [];

    public function __construct(private readonly InstallationStore $store, private readonly Near $near)
    {
    }

    /**
     * @param  list<string>  $ids
     * @param  ?array<int|string, string>  $prints  of what it follows from, by assembly, where they are known
     * @return ?Job null where one of them is no assembly
     */
    public function of(StoredInstallation $stored, array $ids, ?array $prints = null): ?Job
    {
        $ids = self::sorted($ids);
        $key = implode(' ', [$stored->mark(), $stored->edition(), ...$ids]);

        if (! array_key_exists($key, $this->known)) {
            // A request that goes through all of them does not hold all of them.
            if (count($this->known) >= self::AT_HAND) {
                $this->known = [];
            }
            $this->known[$key] = $this->kept($stored, $ids, $prints);
        }

        return $this->known[$key];
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
     * Of one assembly, and not in hand after that: whoever goes through all of them needs each of them once.
     *
     * @return ?Job null where it is no assembly
     */
    public function passing(StoredInstallation $stored, string $id): ?Job
    {
        return $this->in($this->loaded($stored), $id);
    }

    /**
     * The same, of what somebody has read.
     *
     * @return ?Job null where it is no assembly
     */
    public function in(Loaded $loaded, string $id): ?Job
    {
        return $this->make($loaded, [$id]);
    }

    /**
     * Under which decisions it was asked for leads to what it follows from, and that to the job.
     *
     * @param  list<string>  $ids
     * @param  ?array<int|string, string>  $prints
     */
    private function kept(StoredInstallation $stored, array $ids, ?array $prints): ?Job
    {
        $asked = 'job of '.implode(' ', $ids);
        $state = Kept::state('job of', $stored->edition());
        $name = $known = Kept::get($stored, $asked, $state);
        if ($name === null) {
            $prints ??= JobBooks::keptPrints($stored, $ids);
            $name = $prints === null ? null : JobShelf::name($prints);
        }
        $job = $name === null ? null : JobShelf::get($stored, $name);
        if ($job === null) {
            // Where all of it is in hand, nothing has to be read.
            $loaded = $this->isInHand($stored) ? $this->loaded($stored) : $this->near->besideAtWork($stored, $ids);
            $job = $this->make($loaded, $ids);
            if ($job === null) {
                return null;
            }
            $prints = JobBooks::prints($stored, $loaded, $job->assemblies);
            $job = $job->keptAs(JobShelf::name($prints));
            JobShelf::put($stored, [$job]);
        }
        if ($known !== $job->keptAs) {
            Kept::put($stored, $asked, $state, $job->keptAs);
        }

        return $job;
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
        if ($this->loaded === null || ! $this->isInHand($stored)) {
            $this->loaded = $this->store->atWork($stored);
        }

        return $this->loaded;
    }

    private function isInHand(StoredInstallation $stored): bool
    {
        $state = $this->loaded?->stored;

        return $state !== null && $state->id === $stored->id && $state->revision === $stored->revision;
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
