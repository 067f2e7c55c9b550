<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Illuminate\Contracts\Cache\LockProvider;
use Illuminate\Support\Facades\Cache;
use LogicException;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\File\Problems;
use Sartal\Core\Plan\Planning\Planner;
use Sartal\Core\Plan\Planning\Strand;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Task;

/**
 * What every job comes to, kept until something is decided. What is recorded
 * touches a few of them: those alone are looked at again, and for that
 * neither the installation nor its plan is read.
 */
final class KeptJobs
{
    private const KEPT = 7 * 24 * 3600;

    /** s that others wait while one makes it. */
    private const PATIENCE = 300;

    /** Rows that are looked at again: of two that record at once, the one with the lower number may come later. */
    private const OVERLAP = 500;

    /** @var array<string, JobBook> by the name under which it is kept, in this request */
    private array $known = [];

    public function __construct(private readonly Jobs $jobs)
    {
    }

    /** @return array<int|string, KeptJob> by assembly, in their order */
    public function of(StoredInstallation $stored): array
    {
        $key = self::key($stored);
        $book = $this->known[$key] ?? $this->read($stored, $key) ?? $this->made($stored, $key);
        $this->known[$key] = $this->since($stored, $key, $book);

        return $this->known[$key]->jobs;
    }

    /**
     * How long things took. Hands are not slower for a decision: where the jobs are yet to be made anew, what they took
     * before it is known.
     *
     * @return array<int|string, list<float>> pace → min for one
     */
    public function took(StoredInstallation $stored): array
    {
        $key = self::key($stored);
        $jobs = isset($this->known[$key]) || $this->read($stored, $key) !== null ? $this->of($stored) : null;
        $before = $jobs === null ? Cache::store('file')->get(self::latest($stored)) : null;
        $jobs ??= is_string($before) ? $this->read($stored, $before)?->jobs : null;
        $took = [];
        foreach ($jobs ?? $this->of($stored) as $job) {
            foreach ($job->took as $pace => $minutes) {
                $took[$pace][] = $minutes;
            }
        }

        return array_map(static fn (array $lists): array => array_merge(...$lists), $took);
    }

    private static function key(StoredInstallation $stored): string
    {
        return sprintf(
            'jobs.%s.%s.%s.%s',
            CodeEdition::id(),
            $stored->mark(),
            $stored->edition(),
            // Of which tools there are few is today's to say, whatever was released.
            hash('xxh64', serialize($stored->workshop)),
        );
    }

    /** Under which it is written which book was kept last. */
    private static function latest(StoredInstallation $stored): string
    {
        return sprintf('jobs.latest.%s.%s', CodeEdition::id(), $stored->mark());
    }

    /** @return ?JobBook null where there is none, or one of a record that is not this one's */
    private function read(StoredInstallation $stored, string $key): ?JobBook
    {
        $kept = Cache::store('file')->get($key);
        $book = is_string($kept) ? unserialize($kept) : null;
        if (! ($book instanceof JobBook)) {
            return null;
        }
        $record = $stored->events()->toBase()->reorder()->where('id', $book->last)->value('uuid');

        return ($record ?? '') === $book->record ? $book : null;
    }

    private static function keep(StoredInstallation $stored, string $key, JobBook $book): JobBook
    {
        Cache::store('file')->put($key, serialize($book), self::KEPT);
        Cache::store('file')->put(self::latest($stored), $key, self::KEPT);

        return $book;
    }

    /** Made once, while others wait for it. */
    private function made(StoredInstallation $stored, string $key): JobBook
    {
        $store = Cache::store('file')->getStore();
        if (! ($store instanceof LockProvider)) {
            throw new LogicException('What is kept in files is made under a lock.');
        }

        // Thousands of jobs take more than a page may, the first time after a decision.
        set_time_limit(2 * self::PATIENCE);

        return $store->lock($key.'.made', self::PATIENCE)->block(
            self::PATIENCE,
            fn (): JobBook => $this->read($stored, $key) ?? self::keep($stored, $key, $this->anew($stored)),
        );
    }

    /** Of all that was recorded, whatever is kept. */
    public function anew(StoredInstallation $stored): JobBook
    {
        // The rows first: what comes in between is then seen twice rather than never.
        [$last, $record] = $this->last($stored);
        $rows = $this->rows($stored, 0);
        $loaded = $this->jobs->loaded($stored);
        $seen = self::byJob($rows, $loaded->plan()->assemblyOf);
        $kept = [];
        foreach ($loaded->plan()->assemblies as $assembly) {
            $job = $this->jobs->passing($stored, $assembly->id);
            if ($job !== null && $job->traveller->operations !== []) {
                $facts = self::facts($assembly, $job, $loaded);
                $kept[$assembly->id] = self::summary(
                    $assembly->id,
                    $job,
                    $facts,
                    $loaded->record,
                    $seen[$assembly->id] ?? 0,
                    $stored,
                );
            }
        }

        return new JobBook($last, $record, $kept);
    }

    /** With what was recorded meanwhile. */
    private function since(StoredInstallation $stored, string $key, JobBook $book): JobBook
    {
        [$last, $record] = $this->last($stored);
        $kept = $book->jobs;
        $touched = $this->touched($stored, $kept, $book->last);
        foreach ($touched as $id => $seen) {
            $job = $this->jobs->of($stored, [(string) $id]);
            if ($job !== null) {
                $events = $this->record($stored, $kept[$id]->runs);
                $kept[$id] = self::summary((string) $id, $job, $kept[$id]->facts, $events, $seen, $stored);
            }
        }

        if ($touched === [] && $last === $book->last) {
            return $book;
        }

        return self::keep($stored, $key, new JobBook($last, $record, $kept));
    }

    /**
     * @param  array<int|string, KeptJob>  $kept
     * @return array<int|string, int> job that something was recorded on which it does not know of → row of that
     */
    private function touched(StoredInstallation $stored, array $kept, int $last): array
    {
        $rows = $this->rows($stored, max(0, $last - self::OVERLAP));
        $jobOf = [];
        foreach ($rows === [] ? [] : $kept as $id => $job) {
            $jobOf += array_fill_keys($job->runs, (string) $id);
        }

        return array_filter(
            self::byJob($rows, $jobOf),
            static fn (int $row, int|string $id): bool => isset($kept[$id]) && $kept[$id]->seen < $row,
            ARRAY_FILTER_USE_BOTH,
        );
    }

    /** @return list<array{int, list<string>}> rows after one, and the runs that each is about */
    private function rows(StoredInstallation $stored, int $after): array
    {
        $rows = [];
        foreach (
            $stored
                ->events()
                ->toBase()
                ->reorder()
                ->where('id', '>', $after)
                ->selectRaw("id, run, definition->'covers' as covers")
                ->cursor() as $row
        ) {
            $covered = is_string($row->covers) ? (array) json_decode($row->covers, true) : [];
            $rows[] = [(int) $row->id, [(string) $row->run, ...array_values(array_filter($covered, is_string(...)))]];
        }

        return $rows;
    }

    /**
     * @param  list<array{int, list<string>}>  $rows
     * @param  array<int|string, string>  $jobOf  by run
     * @return array<int|string, int> job → its last row
     */
    private static function byJob(array $rows, array $jobOf): array
    {
        $last = [];
        foreach ($rows as [$row, $runs]) {
            foreach ($runs as $run) {
                $id = $jobOf[$run] ?? null;
                if ($id !== null) {
                    $last[$id] = max($last[$id] ?? 0, $row);
                }
            }
        }

        return $last;
    }

    /** @return array{int, string} row and id of the last record */
    private function last(StoredInstallation $stored): array
    {
        $row = $stored->events()->toBase()->reorder()->orderByDesc('id')->first(['id', 'uuid']);

        return $row === null ? [0, ''] : [(int) $row->id, (string) $row->uuid];
    }

    /**
     * What was recorded on a job's runs, and tests elsewhere that say that they cover one of them.
     *
     * @param  list<string>  $runs
     */
    private function record(StoredInstallation $stored, array $runs): Record
    {
        $problems = new Problems();
        $rows = $stored->events();
        $rows->where(static function ($of) use ($runs): void {
            $of->whereIn('run', $runs)->orWhere(static function ($elsewhere) use ($runs): void {
                $elsewhere->whereIn('kind', ['tested', 'settled']);
                $elsewhere->where(static function ($covering) use ($runs): void {
                    foreach ($runs as $run) {
                        $covering->orWhereJsonContains('definition->covers', $run);
                    }
                });
            });
        });
        $events = StoredEvent::read($stored, $rows, $problems);
        $problems->settle();

        return new Record($events);
    }

    private static function facts(Assembly $assembly, Job $job, Loaded $loaded): JobFacts
    {
        $in = $loaded->installation;
        $first = $in->runs()[$assembly->id];
        $families = $tools = [];
        foreach ($job->traveller->operations as $operation) {
            $tools[$operation->tool] = true;
            $fitting = $in->fittings()[$operation->fitting] ?? null;
            $family = $in->catalogue->connectors()[$fitting->connector ?? '']->family ?? null;
            if ($fitting !== null && $family !== null) {
                $families[$fitting->id] = $family;
            }
        }
        unset($tools['']);

        return new JobFacts(
            array_map(static fn (string $run): string => $in->runs()[$run]->code, $assembly->runs),
            $in->catalogue->cables()[$first->cable]->name ?? $first->cable,
            $in->locationName($first->a->location),
            $in->locationName($first->b->location),
            $in->looms()[$first->loom ?? '']->name ?? '',
            $first->loom ?? '',
            $first->build,
            count($job->traveller->operations),
            self::likeness($job),
            array_map(strval(...), array_keys($tools)),
            $families,
        );
    }

    private static function summary(
        string $id,
        Job $job,
        JobFacts $facts,
        Record $record,
        int $seen,
        StoredInstallation $stored,
    ): KeptJob {
        $runs = $job->runs();
        $events = $record->together($runs);
        $progress = new Progress($job->traveller->operations, $events);
        $left = array_values(
            array_filter(
                $job->traveller->operations,
                static fn (Operation $operation): bool => ! $progress->of($operation->id)->status->isSettled(),
            ),
        );
        $bench = array_values(
            array_filter($left, static fn (Operation $operation): bool => $operation->task !== Task::Test),
        );
        $skills = array_map(static fn (Operation $operation): ?string => $operation->skill?->value, $left);
        $next = $progress->open()[0] ?? null;

        return new KeptJob(
            $id,
            $runs,
            $seen,
            $facts,
            Strand::of(
                $facts->build,
                Planner::eventsOf($id, $runs, $record),
                $job->fingerprints[$id],
            ),
            $progress->settled(),
            $bench === [],
            $next->words ?? '',
            $next->place ?? '',
            $progress->holds() === [] ? null : $progress->holds()[0]->note,
            count(array_filter($progress->questions(), static fn (array $pair): bool => $pair['answer'] === null)),
            Amounts::of($bench),
            Stretch::among($bench, array_map(strval(...), array_keys($stored->workshop['tools'] ?? []))),
            array_values(array_unique(array_filter($skills, static fn (?string $skill): bool => $skill !== null))),
            self::timed($events, $job),
            Yielded::in($events, $job, $facts->families),
        );
    }

    /**
     * @param  list<Event>  $events
     * @return array<int|string, list<float>> pace → min for one
     */
    private static function timed(array $events, Job $job): array
    {
        $took = [];
        foreach ($events as $event) {
            $operation = $event->step === '' ? null : $job->operation($event->step);
            if ($operation !== null && $event->took !== null && $event->took > 0.0) {
                $took[$operation->pace->value][] = $event->took / 60 / $operation->amount;
            }
        }

        return $took;
    }

    /** Made by the same steps: such jobs can be worked as a batch. */
    private static function likeness(Job $job): string
    {
        $steps = [];
        foreach ($job->traveller->steps as $step) {
            $first = $step->first();
            if (! in_array($first->task, [Task::Mark, Task::Label, Task::Cover, Task::Pull], true)) {
                $steps[] = [
                    $first->like,
                    $step->count(),
                    $first->at !== null && $first->task !== Task::Cut ? $first->at->canonical() : '',
                ];
            }
        }

        return hash('xxh64', serialize($steps));
    }
}
