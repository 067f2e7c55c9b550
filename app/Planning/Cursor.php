<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredInstallation;

/** Up to what somebody knows an installation: what was decided last, and what was recorded. */
final readonly class Cursor
{
    /**
     * @param  string  $decisions  what was decided last
     * @param  int  $row  of the last record
     */
    private function __construct(private int $revision, public string $decisions, public int $row)
    {
    }

    /** Taken before anything is read: what comes in between is then told twice rather than never. */
    public static function now(StoredInstallation $stored): self
    {
        return new self($stored->revision, $stored->decisions, Touched::last($stored)[0]);
    }

    /** @return ?self null where it is none, as what an earlier version gave out */
    public static function read(string $text): ?self
    {
        return preg_match('~^(\d{1,18})\.([0-9A-Za-z]*)\.(\d{1,18})$~', $text, $m) === 1
            ? new self((int) $m[1], $m[2], (int) $m[3])
            : null;
    }

    public function text(): string
    {
        return sprintf('%d.%s.%d', $this->revision, $this->decisions, $this->row);
    }

    public function is(StoredInstallation $stored): bool
    {
        return $this->revision === $stored->revision && $this->decisions === $stored->decisions;
    }

    /** @return ?list<string> runs that had to do with what was decided since; null where that may be any */
    public function concerned(StoredInstallation $stored): ?array
    {
        return $this->decisions === $stored->decisions
            ? []
            : Lineage::since($stored, fn (string $at): bool => $at === $this->decisions);
    }
}
