<?php

declare(strict_types=1);

namespace App\Bench;

/** Up to what somebody knows the list of jobs: of what it is made, how long things took then, and what was recorded. */
final readonly class JobCursor
{
    private function __construct(private string $made, private string $times, public int $row)
    {
    }

    public static function at(JobBook $book): self
    {
        $times = KeptJobs::said($book->index)->times;

        return new self(hash('xxh64', $book->state), hash('xxh32', $times->roughly()), $book->index->last);
    }

    /** @return ?self null where it is none */
    public static function read(string $text): ?self
    {
        return preg_match('~^([0-9a-f]{16})\.([0-9a-f]{8})\.(\d{1,18})$~D', $text, $parts) === 1
            ? new self($parts[1], $parts[2], (int) $parts[3])
            : null;
    }

    public function text(): string
    {
        return sprintf('%s.%s.%d', $this->made, $this->times, $this->row);
    }

    /** Whether jobs that nobody has recorded on since are the same as then, and take about as long. */
    public function holds(self $now): bool
    {
        return $this->made === $now->made && $this->times === $now->times;
    }
}
