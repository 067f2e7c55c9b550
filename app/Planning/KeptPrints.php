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
    private const NAME = 'prints of readings';

    private readonly MemoryPlanCache $runs;

    /** @var ?array<int|string, array{string, string}> by hash of inputs: as each edition makes it */
    private ?array $known = null;

    /** @var array<int|string, array{string, string}> of what was asked for in this request */
    private array $asked = [];

    private bool $isNew = false;

    public function __construct(private readonly StoredInstallation $stored)
    {
        $this->runs = new MemoryPlanCache();
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
        $known = $this->asked[$inputs] ?? ($this->known()[$inputs] ?? null);
        if ($known === null) {
            return null;
        }
        $this->asked[$inputs] = $known;

        return new ReadingPrint($known[0], $known[1]);
    }

    public function keepReadingFingerprint(string $inputs, ReadingPrint $fingerprint): void
    {
        $this->asked[$inputs] = [$fingerprint->first, $fingerprint->second];
        if (! $this->isNew) {
            $this->isNew = true;
            // Prints are made as somebody asks for them: all of a request are written down at its end.
            app()->terminating($this->write(...));
        }
    }

    /** For the next request. What this one had no use for may be of another release: the half of it stays. */
    public function write(): void
    {
        if (! $this->isNew) {
            return;
        }
        $this->isNew = false;
        $others = array_diff_key($this->known(), $this->asked);
        $stay = array_slice($others, 0, count($this->asked), true);
        $this->known = $this->asked + $stay;
        Kept::put($this->stored, self::NAME, Kept::state(self::NAME), serialize($this->known));
    }

    /** @return array<int|string, array{string, string}> */
    private function known(): array
    {
        if ($this->known === null) {
            $kept = Kept::get($this->stored, self::NAME, Kept::state(self::NAME));
            $prints = $kept === null ? null : unserialize($kept, ['allowed_classes' => false]);
            $this->known = [];
            foreach (is_array($prints) ? $prints : [] as $inputs => $print) {
                if (is_array($print) && is_string($print[0] ?? null) && is_string($print[1] ?? null)) {
                    $this->known[$inputs] = [$print[0], $print[1]];
                }
            }
        }

        return $this->known;
    }
}
