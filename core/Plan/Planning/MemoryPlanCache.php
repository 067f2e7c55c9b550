<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Plan\Runs\Lately;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Testing\ReadingPrint;

/** For as long as the process lives. Counts what it had to leave to be computed. */
final class MemoryPlanCache implements PlanCache
{
    public int $runsComputed = 0;

    public int $readingsComputed = 0;

    /** @var array<int|string, RunPlan> */
    private array $runs = [];

    /** @var array<int|string, ReadingPrint> */
    private array $readings = [];

    /** @var array<int|string, array<int, list<Finding>>> */
    private array $found = [];

    private readonly ObjectHashes $hashes;

    /** @var Lately<RunPlan, array<int|string, EndPinout>> */
    private readonly Lately $ends;

    public function __construct()
    {
        $this->hashes = new ObjectHashes();
        $this->ends = new Lately();
    }

    public function ends(): Lately
    {
        return $this->ends;
    }

    public function hashes(): ObjectHashes
    {
        return $this->hashes;
    }

    public function run(string $inputs): ?RunPlan
    {
        return $this->runs[$inputs] ?? null;
    }

    public function keepRun(string $inputs, RunPlan $plan): void
    {
        $this->runsComputed++;
        $this->runs[$inputs] = $plan;
    }

    public function found(string $of): ?array
    {
        return $this->found[$of] ?? null;
    }

    public function keepFound(string $of, array $found): void
    {
        $this->found[$of] = $found;
    }

    public function readingFingerprint(string $inputs): ?ReadingPrint
    {
        return $this->readings[$inputs] ?? null;
    }

    public function keepReadingFingerprint(string $inputs, ReadingPrint $fingerprint): void
    {
        $this->readingsComputed++;
        $this->readings[$inputs] = $fingerprint;
    }
}
