<?php

declare(strict_types=1);

namespace App\Bench;

use Sartal\Core\Given\Measure\Ascending;

/** What is known of all jobs together, and the last record that it knows of. */
final readonly class JobIndex
{
    /** Jobs of one part: whoever looks at one of them again reads and writes so many. */
    public const PART = 64;

    /**
     * @param  int  $last  row of that record; 0: there was none
     * @param  string  $record  its id: a database that was restored repeats numbers, and records never
     * @param  array<int|string, int>  $seen  assembly → row of the last record on its own runs; in the order of jobs
     * @param  array<int|string, string>  $assemblyOf  by run
     * @param  list<string>  $tools  that steps name
     * @param  array<int|string, Ascending>  $took  timing → min for one, as they were measured
     */
    public function __construct(
        public int $last,
        public string $record,
        public array $seen,
        public array $assemblyOf,
        public array $tools,
        public array $took,
        public JobTally $tally = new JobTally(),
    ) {
    }

    /** In plain values: what hands took is read whatever edition of the code wrote it. */
    public function written(): string
    {
        $took = array_map(static fn (Ascending $of): string => $of->written(), $this->took);

        return serialize(['took' => $took, 'tally' => $this->tally->written()] + get_object_vars($this));
    }

    /** @return ?self null where it is none */
    public static function read(string $written): ?self
    {
        $says = unserialize($written, ['allowed_classes' => false]);
        if (! is_array($says) || ! isset($says['last'], $says['seen'], $says['assemblyOf'], $says['took'])) {
            return null;
        }

        return new self(
            $says['last'],
            $says['record'],
            $says['seen'],
            $says['assemblyOf'],
            $says['tools'],
            array_map(Ascending::read(...), $says['took']),
            // An edition before wrote down what was looked over beside the rest.
            JobTally::read($says['tally'] ?? ['looked' => $says['looked'] ?? [], 'found' => $says['found'] ?? []]),
        );
    }

    /**
     * @param  array<int|string, int>  $touched  assembly → row of the last record on it
     * @param  array<int|string, Ascending>  $took
     */
    public function after(int $last, string $record, array $touched, array $took, JobTally $tally): self
    {
        $seen = array_replace($this->seen, $touched);

        return new self($last, $record, $seen, $this->assemblyOf, $this->tools, $took, $tally);
    }

    public function parts(): int
    {
        return intdiv(count($this->seen) + self::PART - 1, self::PART);
    }
}
