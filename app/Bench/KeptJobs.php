<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Kept;
use App\Planning\Loaded;
use App\Planning\Touched;
use Generator;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Plan\Planning\RunEvents;
use Sartal\Core\Plan\Planning\Strand;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;

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
    private const PATIENCE = 300;

    /** @var array<string, JobBook> by the name under which it is kept, in this request */
    private array $known = [];

    public function __construct(private readonly Jobs $jobs)
    {
    }

    /** @return array<int|string, KeptJob> by assembly, in their order */
    public function of(StoredInstallation $stored): array
    {
        $key = JobBooks::key($stored);
        $book = $this->known[$key] ?? (JobBooks::read($stored, $key) ?? $this->made($stored, $key));
        $this->known[$key] = $this->since($stored, $key, $book);

        return $this->known[$key]->jobs;
    }

    /** @return array<int|string, list<float>> pace → min for one, of how long things took */
    public function took(StoredInstallation $stored): array
    {
        return JobBooks::took($stored, true) ?? (new JobBook(0, '', $this->of($stored)))->took();
    }

    /**
     * The same for somebody who asks what a decision would come to. Hands are not slower for a decision: where the jobs
     * are yet to be made anew after the last one, what they took before it will do.
     *
     * @return array<int|string, list<float>> pace → min for one
     */
    public function lastTook(StoredInstallation $stored): array
    {
        $key = JobBooks::key($stored);
        $isKnown = isset($this->known[$key]) || JobBooks::took($stored, true) !== null;

        return $isKnown ? $this->took($stored) : JobBooks::took($stored, false) ?? $this->took($stored);
    }

    /** Made once, while others wait for it. */
    private function made(StoredInstallation $stored, string $key): JobBook
    {
        // Thousands of jobs take more than a page may, the first time after a decision.
        set_time_limit(2 * self::PATIENCE);

        return Kept::alone(
            $stored,
            $key,
            self::PATIENCE,
            fn (): JobBook => JobBooks::read($stored, $key) ??
                JobBooks::keep($stored, $key, $this->make($stored, JobBooks::last($stored))),
        );
    }

    /** Of all that was recorded, whatever is kept. */
    public function anew(StoredInstallation $stored): JobBook
    {
        return $this->make($stored, null);
    }

    /** What was decided touches a few jobs: those that follow from the same as before stay as they were kept. */
    private function make(StoredInstallation $stored, ?JobBook $before): JobBook
    {
        // The rows first: what comes in between is then seen twice rather than never.
        [$last, $record] = Touched::last($stored);
        $loaded = $this->jobs->loaded($stored);
        $plan = $loaded->plan();
        $seen = Touched::all($stored, $plan->assemblyOf);
        $made = JobBooks::prints($stored, $loaded);
        $new = array_filter(
            $plan->assemblies,
            static fn (Assembly $of): bool => ($before?->jobs[$of->id] ?? null)?->made !== $made[$of->id],
        );
        $kept = array_fill_keys(array_keys($plan->assemblies), null);
        foreach (self::some($new) as $some) {
            $runs = array_merge(...array_map(static fn (Assembly $of): array => $of->runs, $some));
            $events = Touched::record($stored, $runs);
            $shelved = [];
            foreach ($some as $assembly) {
                $id = $assembly->id;
                $job = $this->jobs->passing($stored, $id);
                if ($job !== null && $job->traveller->operations !== []) {
                    $shelved[] = $job->keptAs(JobShelf::name([$id => $made[$id]]));
                    $kept[$id] = self::summary(
                        $id,
                        $job,
                        self::facts($assembly, $job, $loaded),
                        $events,
                        $seen[$id] ?? 0,
                        $made[$id],
                        $stored,
                    );
                }
            }
            JobShelf::put($stored, $shelved);
        }
        foreach (array_diff_key($plan->assemblies, $new) as $id => $same) {
            $kept[$id] = $before->jobs[$id] ?? null;
        }
        $kept = array_filter($kept);

        return $before === null
            ? new JobBook($last, $record, $kept)
            : new JobBook($before->last, $before->record, $kept);
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

    /** With what was recorded meanwhile. */
    private function since(StoredInstallation $stored, string $key, JobBook $book): JobBook
    {
        [$last, $record] = Touched::last($stored);
        $kept = $book->jobs;
        $touched = $this->touched($stored, $kept, $book->last);
        foreach ($touched as $id => $seen) {
            $job = $this->jobs->of($stored, [(string) $id], [$id => $kept[$id]->made]);
            if ($job !== null) {
                $events = Touched::record($stored, $kept[$id]->runs);
                $kept[$id] = self::summary(
                    (string) $id,
                    $job,
                    $kept[$id]->facts,
                    $events,
                    $seen,
                    $kept[$id]->made,
                    $stored,
                );
            }
        }

        if ($touched === [] && $last === $book->last) {
            return $book;
        }

        return JobBooks::keep($stored, $key, new JobBook($last, $record, $kept));
    }

    /**
     * @param  array<int|string, KeptJob>  $kept
     * @return array<int|string, int> job that something was recorded on which it does not know of → row of that
     */
    private function touched(StoredInstallation $stored, array $kept, int $last): array
    {
        $jobOf = [];
        foreach ($kept as $id => $job) {
            $jobOf += array_fill_keys($job->runs, (string) $id);
        }

        return array_filter(
            Touched::since($stored, $last, $jobOf),
            static fn (int $row, int|string $id): bool => isset($kept[$id]) && $kept[$id]->seen < $row,
            ARRAY_FILTER_USE_BOTH,
        );
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
        string $made,
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
            $made,
            $facts,
            Strand::of($facts->build, RunEvents::of($id, $runs, $record), $job->fingerprints[$id]),
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
            self::overtaken($job, $progress),
        );
    }

    /** @return list<string> runs of which steps were done that are other ones now */
    private static function overtaken(Job $job, Progress $progress): array
    {
        $runs = [];
        foreach ($job->traveller->operations as $operation) {
            if ($progress->of($operation->id)->status === Status::Overtaken) {
                $runs[$operation->run] = $operation->run;
            }
        }

        return array_values($runs);
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
