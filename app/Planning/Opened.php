<?php

declare(strict_types=1);

namespace App\Planning;

use App\Bench\Jobs;
use App\Bench\KeptJobs;
use App\Models\StoredInstallation;
use Illuminate\Contracts\Container\Container;

/** An installation as controllers are given it, read once by whoever asks for it first. */
final readonly class Opened
{
    public function __construct(private Container $container, private InstallationStore $store)
    {
    }

    public function put(StoredInstallation $stored): void
    {
        $this->container->instance(StoredInstallation::class, $stored);
        $this->read(fn (): Loaded => $this->store->load($stored));
        // One of each: whoever asks finds what another has read.
        $this->container->singleton(Jobs::class);
        $this->container->singleton(KeptJobs::class);
        $this->container->singleton(Near::class);
    }

    /** Where work is done the release counts, not what a planner has decided since. */
    public function atWork(StoredInstallation $stored): void
    {
        if ($stored->release_id !== null) {
            $this->read(fn (): Loaded => $this->store->atWork($stored));
        }
    }

    /** @param  \Closure(): Loaded  $read */
    private function read(\Closure $read): void
    {
        $this->container->singleton(Loaded::class, $read);
    }
}
