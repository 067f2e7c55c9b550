<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Kept;
use Sartal\Core\Given\Measure\Ascending;

/** Every job as it is kept, part by part: whoever asks for one of them does not read those of all. */
final class JobBook
{
    /** Rows that may come in about no job before it is written down that they were looked at. */
    private const UNWRITTEN = 200;

    /** @var ?array<int|string, KeptJob> in this request */
    private ?array $lines = null;

    /** @var ?array<int|string, int> part, by assembly */
    private ?array $partOf = null;

    /** @var array{int, array<int|string, JobMade>} the part that was read last */
    private array $open = [-1, []];

    /**
     * @param  string  $state  of which its parts are kept
     * @param  string  $written  the index that it rests on, as it is written down
     */
    private function __construct(
        private readonly StoredInstallation $stored,
        public readonly string $state,
        public readonly JobIndex $index,
        public readonly string $written,
    ) {
    }

    public static function of(StoredInstallation $stored, string $state, JobIndex $index): self
    {
        return new self($stored, $state, $index, $index->written());
    }

    /** @return ?self null where it is none */
    public static function read(StoredInstallation $stored, string $state, string $written): ?self
    {
        $index = JobIndex::read($written);

        return $index === null ? null : new self($stored, $state, $index, $written);
    }

    /**
     * @return array<int|string, KeptJob> by assembly, in their order
     *
     * @throws TornBook
     */
    public function lines(): array
    {
        /** @var array<int|string, KeptJob> $lines */
        $lines = $this->lines ?? $this->all(JobSide::Line);

        return $this->lines = $lines;
    }

    /**
     * @return array<int|string, list<Stretch>> by assembly, in their order
     *
     * @throws TornBook
     */
    public function ahead(): array
    {
        /** @var array<int|string, list<Stretch>> */
        return $this->all(JobSide::Ahead);
    }

    /**
     * @return ?JobMade null where there is no such job
     *
     * @throws TornBook
     */
    public function job(string $id): ?JobMade
    {
        $part = $this->partOf($id);

        return $part === null ? null : $this->part($part)[$id] ?? null;
    }

    /**
     * With some jobs as they were looked at again.
     *
     * @param  array<int|string, JobMade>  $anew  by assembly
     * @return array{self, array<int|string, string>} it, and its rows that are other ones now
     *
     * @throws TornBook
     */
    public function with(array $anew, int $last, string $record): array
    {
        [$took, $tally] = [$this->index->took, $this->index->tally];
        $rows = $touched = $parted = [];
        foreach ($anew as $id => $job) {
            $parted[$this->partOf((string) $id) ?? -1][$id] = $job;
        }
        foreach ($parted as $part => $jobs) {
            $now = $this->part($part);
            foreach ($jobs as $id => $job) {
                $past = $now[$id]->past;
                $took = self::changed($took, $past->took, $job->past->took);
                $tally = $tally->exchanging($past->tally, $job->past->tally);
                $touched[$id] = $job->line->seen;
                $now[$id] = $job;
            }
            $rows += self::rows($part, $now);
        }
        $index = $this->index->after($last, $record, $touched, $took, $tally);
        // Where none of them is another one, it is not worth writing down: it goes on resting on what is written.
        $isLater = $rows !== [] || $last > $this->index->last + self::UNWRITTEN;
        $written = $isLater ? $index->written() : $this->written;
        $book = new self($this->stored, $this->state, $index, $written);
        $book->partOf = $this->partOf;
        $lines = array_map(static fn (JobMade $job): KeptJob => $job->line, $anew);
        $book->lines = $this->lines === null ? null : array_replace($this->lines, $lines);

        return [$book, $rows];
    }

    /**
     * What is written down of a part.
     *
     * @param  array<int|string, JobMade>  $jobs  by assembly, in their order
     * @return array<int|string, string> by name
     */
    public static function rows(int $part, array $jobs): array
    {
        $line = array_map(static fn (JobMade $job): KeptJob => $job->line, $jobs);
        $ahead = array_map(static fn (JobMade $job): array => $job->ahead, $jobs);
        $past = array_map(static fn (JobMade $job): JobPast => $job->past, $jobs);

        return [
            JobSide::Line->name($part) => Kept::packed(serialize($line)),
            JobSide::Ahead->name($part) => Kept::packed(serialize($ahead)),
            JobSide::Past->name($part) => Kept::packed(serialize($past)),
        ];
    }

    private function partOf(string $id): ?int
    {
        if ($this->partOf === null) {
            $this->partOf = [];
            foreach (array_keys($this->index->seen) as $position => $each) {
                $this->partOf[$each] = intdiv($position, JobIndex::PART);
            }
        }

        return $this->partOf[$id] ?? null;
    }

    /**
     * @return array<int|string, JobMade> those of one part, by assembly, in their order
     *
     * @throws TornBook
     */
    private function part(int $part): array
    {
        if ($this->open[0] !== $part) {
            $sides = $this->fetch(array_map(static fn (JobSide $side): string => $side->name($part), JobSide::cases()));
            /** @var array<int|string, KeptJob> $lines */
            $lines = $sides[JobSide::Line->name($part)];
            /** @var array<int|string, list<Stretch>> $ahead */
            $ahead = $sides[JobSide::Ahead->name($part)];
            /** @var array<int|string, JobPast> $past */
            $past = $sides[JobSide::Past->name($part)];
            $made = [];
            foreach ($lines as $id => $line) {
                $made[$id] = new JobMade($line, $ahead[$id], $past[$id]);
            }
            $this->open = [$part, $made];
        }

        return $this->open[1];
    }

    /**
     * @return array<int|string, mixed> by assembly, in their order
     *
     * @throws TornBook
     */
    private function all(JobSide $side): array
    {
        $names = [];
        for ($part = 0; $part < $this->index->parts(); $part++) {
            $names[] = $side->name($part);
        }
        $parts = $this->fetch($names);
        $all = [];
        foreach ($names as $name) {
            $all += $parts[$name];
        }

        return $all;
    }

    /**
     * @param  list<string>  $names  of parts
     * @return array<int|string, array<int|string, mixed>> by name
     *
     * @throws TornBook
     */
    private function fetch(array $names): array
    {
        $parts = [];
        foreach (Kept::all($this->stored, $names, $this->state) as $name => $body) {
            $part = unserialize($body);
            $parts[$name] = is_array($part) ? $part : [];
        }
        $missing = array_diff($names, array_keys($parts));
        if ($missing !== []) {
            throw new TornBook(sprintf('Of the book of jobs "%s" is not there.', current($missing)));
        }

        return $parts;
    }

    /**
     * @param  array<int|string, Ascending>  $all  by pace
     * @param  array<int|string, list<float>>  $gone
     * @param  array<int|string, list<float>>  $come
     * @return array<int|string, Ascending>
     */
    private static function changed(array $all, array $gone, array $come): array
    {
        foreach ($gone as $pace => $minutes) {
            foreach ($minutes as $each) {
                $all[$pace] = ($all[$pace] ?? Ascending::of([]))->without($each);
            }
        }
        foreach ($come as $pace => $minutes) {
            foreach ($minutes as $each) {
                $all[$pace] = ($all[$pace] ?? Ascending::of([]))->with($each);
            }
        }

        return array_filter($all, static fn (Ascending $of): bool => $of->count() > 0);
    }
}
