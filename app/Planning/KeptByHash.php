<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;

/**
 * Small answers of one kind, each under a hash of all that it follows from: kept together for the next requests. What
 * was asked for last stays longest.
 *
 * @template T of array<array-key, mixed>
 */
final class KeptByHash
{
    /** Of one kind, of one installation. */
    private const MOST = 25_000;

    /** @var ?array<int|string, T> */
    private ?array $known = null;

    /** @var array<int|string, T> of what was asked for in this request */
    private array $asked = [];

    private bool $isNew = false;

    /** @param  string  $version  of what made them; "": another edition of the code may make others */
    public function __construct(
        private readonly StoredInstallation $stored,
        private readonly string $name,
        private readonly string $version = '',
    ) {
    }

    /** @return ?T */
    public function get(string $hash): ?array
    {
        $known = $this->asked[$hash] ?? ($this->known()[$hash] ?? null);
        if ($known !== null) {
            $this->asked[$hash] = $known;
        }

        return $known;
    }

    /** @param  T  $answer */
    public function put(string $hash, array $answer): void
    {
        $this->asked[$hash] = $answer;
        if (! $this->isNew) {
            $this->isNew = true;
            // They are found as somebody asks for them: all of a request are written down at its end.
            app()->terminating($this->write(...));
        }
    }

    public function write(): void
    {
        if (! $this->isNew) {
            return;
        }
        $this->isNew = false;
        $others = array_diff_key($this->known(), $this->asked);
        $this->known = $this->asked + array_slice($others, 0, max(0, self::MOST - count($this->asked)), true);
        Kept::put($this->stored, $this->name, $this->state(), serialize($this->known));
    }

    /** @return array<int|string, T> */
    private function known(): array
    {
        if ($this->known === null) {
            $kept = Kept::last($this->stored, $this->name, true);
            $isSame = $kept !== null && $kept['state'] === $this->state();
            $answers = $isSame ? unserialize($kept['body'], ['allowed_classes' => false]) : null;
            /** @var array<int|string, T> $answers */
            $answers = array_filter(is_array($answers) ? $answers : [], is_array(...));
            $this->known = $answers;
        }

        return $this->known;
    }

    private function state(): string
    {
        return $this->version === '' ? Kept::state($this->name) : 'version '.$this->version;
    }
}
