<?php

declare(strict_types=1);

namespace Sartal\Core\Proof\Testing;

use Sartal\Core\Given\Measure\Edition;

/** Fingerprints of what an assembly should read, as each edition makes them. */
final readonly class ReadingPrint
{
    public function __construct(public string $first, public string $second)
    {
    }

    public function by(Edition $edition): string
    {
        return match ($edition) {
            Edition::First => $this->first,
            Edition::Second, Edition::Third => $this->second,
        };
    }

    public function now(): string
    {
        return $this->by(Edition::now());
    }

    /** Whether a reading that was taken by this fingerprint was taken by what should be read today. */
    public function stands(string $fingerprint): bool
    {
        return $fingerprint === $this->first || $fingerprint === $this->second;
    }
}
