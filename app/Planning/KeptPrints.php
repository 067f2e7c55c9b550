<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\ObjectHashes;
use Sartal\Core\Plan\Planning\PlanCache;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Testing\ReadingPrint;

/**
 * What is computed for one subject, for one request; and prints of what assemblies should read for the next ones too:
 * they take a third of planning to make and two lines to keep. All are under hashes of what they follow from.
 */
final class KeptPrints implements PlanCache
{
    private readonly MemoryPlanCache $runs;

    /** @var KeptByHash<array{string, string}> as each edition makes it */
    private readonly KeptByHash $prints;

    public function __construct(StoredInstallation $stored)
    {
        $this->runs = new MemoryPlanCache();
        $this->prints = new KeptByHash($stored, 'prints of readings');
    }

    public function hashes(): ObjectHashes
    {
        return $this->runs->hashes();
    }

    public function run(string $inputs): ?RunPlan
    {
        return $this->runs->run($inputs);
    }

    public function keepRun(string $inputs, RunPlan $plan): void
    {
        $this->runs->keepRun($inputs, $plan);
    }

    public function readingFingerprint(string $inputs): ?ReadingPrint
    {
        $known = $this->prints->get($inputs);

        return $known === null ? null : new ReadingPrint(...$known);
    }

    public function keepReadingFingerprint(string $inputs, ReadingPrint $fingerprint): void
    {
        $this->prints->put($inputs, [$fingerprint->first, $fingerprint->second]);
    }

    /** For the next requests, of one that goes on for long. */
    public function write(): void
    {
        $this->prints->write();
    }
}
