<?php

declare(strict_types=1);

namespace App\Planning;

use App\Bench\CodeEdition;
use App\Models\StoredInstallation;

/** Up to what somebody knows what the shop works from: by what it works, and what was recorded but for single steps. */
final readonly class WorkCursor
{
    /** How it is written in an address. */
    public const PATTERN = '[0-9a-f]{16}\.\d{1,18}';

    /** @param  int  $row  of the last record that matters to more than its own job */
    private function __construct(private string $edition, public int $row)
    {
    }

    /** Taken before anything is read: what comes in between is then told twice rather than never. */
    public static function now(StoredInstallation $stored): self
    {
        return new self(self::edition($stored), Touched::milestone($stored));
    }

    /** @return ?self null where it is none */
    public static function read(string $text): ?self
    {
        $parts = explode('.', $text);

        return preg_match('~^'.self::PATTERN.'$~D', $text) === 1 ? new self($parts[0], (int) $parts[1]) : null;
    }

    public function text(): string
    {
        return sprintf('%s.%d', $this->edition, $this->row);
    }

    /** Whether the shop works from the same as then. */
    public function holds(StoredInstallation $stored): bool
    {
        return $this->edition === self::edition($stored);
    }

    private static function edition(StoredInstallation $stored): string
    {
        return hash('xxh64', CodeEdition::id().' '.$stored->edition());
    }
}
