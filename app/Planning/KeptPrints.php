<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;
use Sartal\Core\Given\Findings\Finding;
use Sartal\Core\Given\Findings\Severity;
use Sartal\Core\Given\Findings\Subject;
use Sartal\Core\Given\Findings\SubjectKind;
use Sartal\Core\Plan\Planning\MemoryPlanCache;
use Sartal\Core\Plan\Planning\ObjectHashes;
use Sartal\Core\Plan\Planning\PlanCache;
use Sartal\Core\Plan\Runs\Lately;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Testing\ReadingPrint;

/**
 * What is computed for one subject, for one request; and for the next ones too what is long to make and short to keep:
 * prints of what assemblies should read, and what was found where things are joined. All are under hashes of what they
 * follow from.
 */
final class KeptPrints implements PlanCache
{
    private const FOUND = [Finding::class, Severity::class, Subject::class, SubjectKind::class];

    private readonly MemoryPlanCache $runs;

    /** @var KeptByHash<array{string, string}> as each edition makes it */
    private readonly KeptByHash $prints;

    /** @var KeptByHash<array{string}> "" where nothing was found */
    private readonly KeptByHash $found;

    public function __construct(StoredInstallation $stored)
    {
        $this->runs = new MemoryPlanCache();
        $this->prints = new KeptByHash($stored, 'prints of readings');
        $this->found = new KeptByHash($stored, 'found where things are joined');
    }

    public function hashes(): ObjectHashes
    {
        return $this->runs->hashes();
    }

    public function ends(): Lately
    {
        return $this->runs->ends();
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

    public function found(string $of): ?array
    {
        $known = $this->found->get($of);
        if ($known === null || $known[0] === '') {
            return $known === null ? null : [];
        }
        /** @var array<int, list<Finding>> $found */
        $found = (array) unserialize($known[0], ['allowed_classes' => self::FOUND]);

        return $found;
    }

    public function keepFound(string $of, array $found): void
    {
        $found = array_filter($found, static fn (array $each): bool => $each !== []);
        $this->found->put($of, [$found === [] ? '' : serialize($found)]);
    }

    /** For the next requests, of one that goes on for long. */
    public function write(): void
    {
        $this->prints->write();
        $this->found->write();
    }
}
