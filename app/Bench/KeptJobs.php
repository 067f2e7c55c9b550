<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Lineage;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Planning\Touched;
use Closure;
use Generator;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Work\Bench\Experience;
use Sartal\Core\Work\Bench\TimeBook;

/**
 * What every job comes to, kept until something is decided. What is recorded
 * touches a few of them: those alone are looked at again, and for that
 * neither the installation nor its plan is read.
 */
final class KeptJobs
{
    /** Runs of which the record is in hand at once: tens of steps of each. */
    private const TOGETHER = 100;

    /** s that others wait while one makes it. */
    private const PATIENCE = 600;

    /** Jobs that are told by themselves: where it is more, all of them are. */
    private const MOST = 300;

    /** @var array<string, JobBook> by the name under which it is kept, in this request */
    private array $known = [];

    public function __construct(private readonly Jobs $jobs, private readonly Near $near)
    {
    }

    /** @return array<int|string, KeptJob> by assembly, in their order */
    public function of(StoredInstallation $stored): array
    {
        return $this->whole($stored, static fn (JobBook $book): array => $book->lines());
    }

    /** What may be another since; where that may be any, or too many, all of it. */
    public function told(StoredInstallation $stored, ?JobCursor $known): JobsTold
    {
        return $this->whole($stored, static function (JobBook $book) use ($stored, $known): JobsTold {
            $news = $known === null ? null : self::news($stored, $book, $known);

            return new JobsTold(
                JobCursor::at($book),
                $news ?? array_values($book->lines()),
                $news !== null,
                self::said($book->index)->times,
            );
        });
    }

    /** @return array<int|string, list<Stretch>> by assembly, in their order: what is left, as it is done in one go */
    public function ahead(StoredInstallation $stored): array
    {
        return $this->whole($stored, static fn (JobBook $book): array => $book->ahead());
    }

    /** @return array<int|string, string> assembly, by run */
    public function assemblyOf(StoredInstallation $stored): array
    {
        return $this->book($stored)->index->assemblyOf;
    }

    /** @return list<string> every tool that steps name, in the order of the alphabet */
    public function tools(StoredInstallation $stored): array
    {
        return $this->book($stored)->index->tools;
    }

    /**
     * Jobs as they are kept, brought forward where that can be done: whoever asks for one of them finds it then. All of
     * them are made by whoever asks for all.
     */
    public function ready(StoredInstallation $stored): void
    {
        $key = JobBooks::key($stored);
        $of = isset($this->known[$key]) ? $key : JobBooks::keptOf($stored);
        if ($of !== null && $of !== $key) {
            Kept::alone(
                $stored,
                $key,
                self::PATIENCE,
                fn (): ?JobBook => JobBooks::read($stored, $key) ?? $this->brought($stored, $key),
            );
        }
    }

    /** Whether nobody who asks for them waits until all are made. */
    public function areMade(StoredInstallation $stored): bool
    {
        $this->ready($stored);

        return JobBooks::keptOf($stored) === JobBooks::key($stored);
    }

    /** What all jobs come to together, without any of them being read. */
    public function index(StoredInstallation $stored): JobIndex
    {
        return $this->book($stored)->index;
    }

    /** What the crew's own record says of how long things take and of what is found. */
    public function experience(StoredInstallation $stored): Experience
    {
        return self::said($this->book($stored)->index);
    }

    /**
     * The same for somebody who asks what a decision would come to. Hands are not slower for a decision: where the jobs
     * are yet to be made anew after the last one, what they took before it will do.
     */
    public function lastExperience(StoredInstallation $stored): Experience
    {
        $key = JobBooks::key($stored);
        $isKnown = isset($this->known[$key]) || JobBooks::read($stored, $key) !== null;
        $last = $isKnown ? null : JobBooks::lastIndex($stored);

        return $last === null ? $this->experience($stored) : self::said($last);
    }

    public static function said(JobIndex $index): Experience
    {
        return new Experience(new TimeBook($index->took), $index->tally->looked, $index->tally->found);
    }

    /**
     * Of all that was recorded, whatever is kept.
     *
     * @return array{JobIndex, array<int|string, JobMade>} by assembly, in their order
     */
    public function anew(StoredInstallation $stored): array
    {
        $all = [];
        $index = $this->make($stored, null, static function (array $jobs) use (&$all): void {
            $all += $jobs;
        });

        return [$index, $all];
    }

    /**
     * @return ?list<KeptJob> those that may be others since, in any order; null where that may be any, or too many
     *
     * @throws TornBook
     */
    private static function news(StoredInstallation $stored, JobBook $book, JobCursor $known): ?array
    {
        // A database that was restored may not have come so far.
        $touched = $known->holds(JobCursor::at($book)) && $known->row <= $book->index->last
            ? Touched::lately($stored, $known->row, $book->index->assemblyOf)
            : null;
        if ($touched === null || count($touched) > self::MOST) {
            return null;
        }
        $news = array_map(static fn (string $id): ?KeptJob => $book->job($id)?->line, $touched);

        return array_values(array_filter($news, static fn (?KeptJob $job): bool => $job !== null));
    }

    /**
     * @template T
     *
     * @param  Closure(JobBook): T  $read  what is read of it
     * @return T
     */
    private function whole(StoredInstallation $stored, Closure $read): mixed
    {
        $book = $this->book($stored);
        try {
            return $read($book);
        } catch (TornBook) {
            $this->known[$book->state] = $this->made($stored, $book);

            return $read($this->book($stored));
        }
    }

    /** With everything that was recorded until now. */
    private function book(StoredInstallation $stored): JobBook
    {
        $key = JobBooks::key($stored);
        $known = $this->known[$key] ?? null;
        if ($known !== null && Touched::last($stored) === [$known->index->last, $known->index->record]) {
            return $known;
        }
        $book = $known ?? (JobBooks::read($stored, $key) ?? $this->made($stored, null));
        while (true) {
            try {
                $now = $this->since($stored, $book);
                if ($now !== null) {
                    return $this->known[$key] = $now;
                }
                $book = JobBooks::read($stored, $key) ?? $this->made($stored, null);
            } catch (TornBook) {
                $book = $this->made($stored, $book);
            }
        }
    }

    /**
     * Made once, while others wait for it.
     *
     * @param  ?JobBook  $torn  which will not do, if that is the one that is there
     */
    private function made(StoredInstallation $stored, ?JobBook $torn): JobBook
    {
        $key = JobBooks::key($stored);

        return Kept::alone($stored, $key, self::PATIENCE, function () use ($stored, $key, $torn): JobBook {
            $there = JobBooks::read($stored, $key);
            if ($there !== null && $there->written !== $torn?->written) {
                return $there;
            }
            $brought = $torn === null ? $this->brought($stored, $key) : null;
            if ($brought !== null) {
                return $brought;
            }
            $rows = [];
            $index = $this->make($stored, JobBooks::last($stored), static function (array $jobs) use (&$rows): void {
                $rows += JobBook::rows(intdiv(count($rows), count(JobSide::cases())), $jobs);
            });

            return JobBooks::keep($stored, JobBook::of($stored, $key, $index), $rows);
        });
    }

    /** What was decided about a few runs touches their jobs alone, as long as none comes or goes; null: any. */
    private function brought(StoredInstallation $stored, string $key): ?JobBook
    {
        $before = $stored->release_id === null ? JobBooks::last($stored) : null;
        $runs = $before === null ? null : Lineage::around(
            $stored,
            static fn (string $at): bool => JobBooks::keyAt($stored, $at) === $before->state,
        );
        if ($before === null || $runs === null) {
            return null;
        }
        $part = $runs === [] ? null : $this->near->runs($stored, $this->near->beside($stored, $runs));
        $plan = $part?->plan();
        $assemblies = [];
        foreach ($plan === null ? [] : $runs as $run) {
            $assembly = $plan->assemblies[$plan->assemblyOf[$run] ?? ''] ?? null;
            $was = $before->index->assemblyOf[$run] ?? null;
            if ($assembly?->id !== $was) {
                return null;
            }
            $assemblies += $assembly === null ? [] : [$assembly->id => $assembly];
        }
        try {
            return $part === null ? null : $this->with($stored, $part, $before, $key, $assemblies);
        } catch (TornBook) {
            return null;
        }
    }

    /**
     * @param  array<int|string, Assembly>  $assemblies  that may be another job since
     *
     * @throws TornBook
     */
    private function with(
        StoredInstallation $stored,
        Loaded $part,
        JobBook $before,
        string $key,
        array $assemblies,
    ): ?JobBook {
        $made = JobBooks::prints($stored, $part, array_map(strval(...), array_keys($assemblies)));
        $new = [];
        foreach ($assemblies as $id => $assembly) {
            $job = $before->job((string) $id);
            if ($job?->line->runs !== $assembly->runs) {
                return null;
            }
            array_push($new, ...$job->line->made === $made[$id] ? [] : [$assembly]);
        }
        $looked = $this->looked($stored, $part, $new, $made, $before->index->seen);
        foreach ($new as $assembly) {
            $job = $looked[$assembly->id] ?? null;
            // Which tools there are is said of all jobs together.
            if ($job === null || $job->past->tools !== $before->job($assembly->id)?->past->tools) {
                return null;
            }
        }
        [$after, $rows] = $before->with($looked, $before->index->last, $before->index->record);

        return JobBooks::bring($stored, $before, JobBook::of($stored, $key, $after->index), $rows);
    }

    /**
     * What was decided touches a few jobs: those that follow from the same as before stay as they were kept.
     *
     * @param  Closure(array<int|string, JobMade>): void  $take  one part after the other
     */
    private function make(StoredInstallation $stored, ?JobBook $before, Closure $take): JobIndex
    {
        // The rows first: what comes in between is then seen twice rather than never.
        [$last, $record] = Touched::last($stored);
        $loaded = $this->jobs->loaded($stored);
        $plan = $loaded->plan();
        $seen = Touched::all($stored, $plan->assemblyOf);
        $made = JobBooks::prints($stored, $loaded);
        $index = new JobIndexing();
        $part = [];
        foreach (self::some($plan->assemblies) as $some) {
            $same = self::same($some, $made, $before);
            $new = array_values(array_filter($some, static fn (Assembly $of): bool => ! isset($same[$of->id])));
            $looked = $this->looked($stored, $loaded, $new, $made, $seen);
            foreach ($some as $assembly) {
                $job = $same[$assembly->id] ?? ($looked[$assembly->id] ?? null);
                if ($job !== null) {
                    $index->add($job);
                    $part[$assembly->id] = $job;
                }
                if (count($part) === JobIndex::PART) {
                    $take($part);
                    $part = [];
                }
            }
        }
        if ($part !== []) {
            $take($part);
        }

        // What was kept knows of no more than it did.
        return $before === null ? $index->of($last, $record) : $index->of($before->index->last, $before->index->record);
    }

    /**
     * @param  list<Assembly>  $assemblies
     * @param  array<int|string, string>  $made  print of what its steps follow from, by assembly
     * @return array<int|string, JobMade> those that were kept and follow from the same, by assembly
     */
    private static function same(array $assemblies, array $made, ?JobBook $before): array
    {
        $same = [];
        foreach ($assemblies as $assembly) {
            try {
                $job = $before?->job($assembly->id);
            } catch (TornBook) {
                $job = null;
            }
            if ($job !== null && $job->line->made === $made[$assembly->id]) {
                $same[$assembly->id] = $job;
            }
        }

        return $same;
    }

    /**
     * @param  list<Assembly>  $assemblies  of so many runs together that their record can be in hand
     * @param  array<int|string, string>  $made  print of what its steps follow from, by assembly
     * @param  array<int|string, int>  $seen  row of the last record, by assembly
     * @return array<int|string, JobMade> by assembly; what has no steps is none of them
     */
    private function looked(
        StoredInstallation $stored,
        Loaded $loaded,
        array $assemblies,
        array $made,
        array $seen,
    ): array {
        if ($assemblies === []) {
            return [];
        }
        $runs = array_merge(...array_map(static fn (Assembly $of): array => $of->runs, $assemblies));
        $events = Touched::record($stored, $runs);
        $looked = $shelved = [];
        foreach ($assemblies as $assembly) {
            $id = $assembly->id;
            $job = $this->jobs->in($loaded, $id);
            if ($job !== null && $job->traveller->operations !== []) {
                $shelved[] = $job->keptAs(JobShelf::name([$id => $made[$id]]));
                $looked[$id] = JobLook::first($assembly, $job, $loaded, $events, $seen[$id] ?? 0, $made[$id]);
            }
        }
        JobShelf::put($stored, $shelved);

        return $looked;
    }

    /**
     * @param  array<int|string, Assembly>  $assemblies
     * @return Generator<non-empty-list<Assembly>> of so many runs together that their record can be in hand
     */
    private static function some(array $assemblies): Generator
    {
        $some = [];
        $runs = 0;
        foreach ($assemblies as $assembly) {
            $some[] = $assembly;
            $runs += count($assembly->runs);
            if ($runs >= self::TOGETHER) {
                yield $some;
                $some = [];
                $runs = 0;
            }
        }
        if ($some !== []) {
            yield $some;
        }
    }

    /**
     * With what was recorded meanwhile.
     *
     * @return ?JobBook null where somebody else has written another one down
     *
     * @throws TornBook
     */
    private function since(StoredInstallation $stored, JobBook $book): ?JobBook
    {
        [$last, $record] = Touched::last($stored);
        $index = $book->index;
        $touched = array_filter(
            Touched::since($stored, $index->last, $index->assemblyOf),
            static fn (int $row, int|string $id): bool => isset($index->seen[$id]) && $index->seen[$id] < $row,
            ARRAY_FILTER_USE_BOTH,
        );
        if ($touched === [] && $last === $index->last) {
            return $book;
        }
        $anew = [];
        foreach ($touched as $id => $seen) {
            $before = $book->job((string) $id) ?? throw new TornBook(sprintf('The job "%s" is not there.', $id));
            $job = $this->jobs->of($stored, [(string) $id], [$id => $before->line->made]);
            if ($job !== null) {
                $events = Touched::record($stored, $before->line->runs);
                $anew[$id] = JobLook::again($before, $job, $events, $seen, $stored);
            }
        }
        [$after, $rows] = $book->with($anew, $last, $record);

        return $after->written === $book->written || JobBooks::replace($stored, $book, $after, $rows) ? $after : null;
    }
}
