<?php

declare(strict_types=1);

namespace Sartal\Core\Plan\Planning;

use Sartal\Core\Ends\Pinout\EndPinout;
use Sartal\Core\Plan\Checks\FoundStore;
use Sartal\Core\Plan\Runs\Lately;
use Sartal\Core\Plan\Runs\RunPlan;
use Sartal\Core\Proof\Testing\ReadingPrint;

/** Keeps what was computed for one subject, under a hash of all that it was computed from. */
interface PlanCache extends FoundStore
{
    /** Of what several installations share, while they are looked at. */
    public function hashes(): ObjectHashes;

    /** @return Lately<RunPlan, array<int|string, EndPinout>> ends of runs, by side */
    public function ends(): Lately;

    public function run(string $inputs): ?RunPlan;

    public function keepRun(string $inputs, RunPlan $plan): void;

    public function readingFingerprint(string $inputs): ?ReadingPrint;

    public function keepReadingFingerprint(string $inputs, ReadingPrint $fingerprint): void;
}
