<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Planning\Loaded;
use Sartal\Core\Ends\Wiring\Assembly;
use Sartal\Core\Plan\Planning\RunEvents;
use Sartal\Core\Plan\Planning\Strand;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Record;
use Sartal\Core\Work\Bench\Experience;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;

/** What a job comes to, by what was recorded on it. */
final readonly class JobLook
{
    /**
     * @param  Record  $record  on its runs, at least
     * @param  int  $seen  row of the last record on them
     * @param  string  $made  print of what its steps follow from
     */
    public static function first(
        Assembly $assembly,
        Job $job,
        Loaded $loaded,
        Record $record,
        int $seen,
        string $made,
    ): JobMade {
        return self::summary(
            $assembly->id,
            $job,
            self::facts($assembly, $job, $loaded),
            self::rests($job, $loaded),
            $record,
            $seen,
            $made,
            $loaded->stored,
        );
    }

    /** After something was recorded on it. */
    public static function again(
        JobMade $before,
        Job $job,
        Record $record,
        int $seen,
        StoredInstallation $stored,
    ): JobMade {
        $line = $before->line;

        return self::summary($line->id, $job, $line->facts, $before->past, $record, $seen, $line->made, $stored);
    }

    private static function facts(Assembly $assembly, Job $job, Loaded $loaded): JobFacts
    {
        $in = $loaded->installation;
        $first = $in->runs()[$assembly->id];

        return new JobFacts(
            array_map(static fn (string $run): string => $in->runs()[$run]->code, $assembly->runs),
            $in->catalogue->cables()[$first->cable]->name ?? $first->cable,
            array_values(
                array_unique(array_map(static fn (string $run): string => $in->runs()[$run]->cable, $assembly->runs)),
            ),
            $in->locationName($first->a->location),
            $in->locationName($first->b->location),
            $in->looms()[$first->loom ?? '']->name ?? '',
            $first->loom ?? '',
            $first->build,
            count($job->traveller->operations),
            self::likeness($job),
        );
    }

    /** What follows from decisions alone, and is asked for by who looks again. */
    private static function rests(Job $job, Loaded $loaded): JobPast
    {
        $in = $loaded->installation;
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

        return new JobPast([], $families, array_map(strval(...), array_keys($tools)));
    }

    /** @param  JobPast  $past  as it was known before, but for what it took */
    private static function summary(
        string $id,
        Job $job,
        JobFacts $facts,
        JobPast $past,
        Record $record,
        int $seen,
        string $made,
        StoredInstallation $stored,
    ): JobMade {
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

        $line = new KeptJob(
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
            Amounts::in($bench),
            array_values(array_unique(array_filter($skills, static fn (?string $skill): bool => $skill !== null))),
            Yielded::in($events, $job, $past->families),
            self::overtaken($job, $progress),
        );
        $few = array_map(strval(...), array_keys($stored->workshop['tools'] ?? []));

        return new JobMade(
            $line,
            Stretch::among($bench, $few),
            new JobPast(
                self::timed($events, $job),
                $past->families,
                $past->tools,
                self::tally($events, $job, $progress, $bench),
            ),
        );
    }

    /**
     * @param  list<Event>  $events
     * @param  list<Operation>  $bench  that are left
     */
    private static function tally(array $events, Job $job, Progress $progress, array $bench): JobTally
    {
        $timed = $took = [];
        foreach ($events as $event) {
            $operation = $event->step === '' ? null : $job->operation($event->step);
            if ($operation !== null && $event->took !== null && $event->took > 0.0) {
                $pace = $operation->pace->value;
                $timed[$pace] = ($timed[$pace] ?? 0) + self::parts($operation->amount);
                $took[$pace] = ($took[$pace] ?? 0) + self::parts($event->took);
            }
        }

        return new JobTally(
            ...self::found($events, $job),
            ...self::amounts($progress, $job, $bench),
            ...[$timed, $took],
        );
    }

    private static function parts(float $amount): int
    {
        return (int) round($amount * JobTally::PARTS);
    }

    /**
     * How much of each kind of work was done on each day, of what stands, and how much of each is left.
     *
     * @param  list<Operation>  $bench  that are left
     * @return array{array<int|string, int>, array<int|string, int>} thousandths: "day pace" → done; timing → left
     */
    private static function amounts(Progress $progress, Job $job, array $bench): array
    {
        $done = $left = [];
        foreach ($job->traveller->operations as $operation) {
            $standing = $progress->of($operation->id);
            if ($operation->task !== Task::Test && $standing->status === Status::Done && $standing->by !== null) {
                $key = substr($standing->by->at, 0, 10).' '.$operation->pace->value;
                $done[$key] = ($done[$key] ?? 0.0) + $operation->amount;
            }
        }
        foreach ($bench as $operation) {
            $left[$operation->timing()] = ($left[$operation->timing()] ?? 0.0) + $operation->amount;
        }

        return [array_map(self::parts(...), $done), array_map(self::parts(...), $left)];
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
     * @return array<int|string, list<float>> a pace, or what one step of a procedure is timed as → min for one
     */
    private static function timed(array $events, Job $job): array
    {
        $took = [];
        foreach ($events as $event) {
            $operation = $event->step === '' ? null : $job->operation($event->step);
            if ($operation === null || $event->took === null || $event->took <= 0.0) {
                continue;
            }
            $each = $event->took / 60 / $operation->amount;
            $took[$operation->pace->value][] = $each;
            if ($operation->procedure !== '' && $operation->counts($event)) {
                $took[$operation->timing()][] = $each;
            }
        }

        return $took;
    }

    /**
     * @param  list<Event>  $events
     * @return array{array<int|string, int>, array<int|string, int>} "procedure/defect" → ends that were looked over for
     *     it, each once, and how many of them had it
     */
    private static function found(array $events, Job $job): array
    {
        $looked = $found = [];
        foreach ($events as $event) {
            $operation = $event->step === '' ? null : $job->operation($event->step);
            $isLook = $event->kind === EventKind::Inspected || $event->kind === EventKind::Reworked;
            if ($operation === null || $operation->procedure === '' || ! $isLook) {
                continue;
            }
            $end = $operation->fitting.' '.$operation->leg;
            foreach ($operation->defects as $defect) {
                if (Operation::isSince($defect->since, $event)) {
                    $key = Experience::key($operation->procedure, $defect->name);
                    $looked[$key][$end] = true;
                    $found[$key] = ($found[$key] ?? []) + (isset($event->flaws()[$defect->name]) ? [$end => true] : []);
                }
            }
        }

        return [array_map(count(...), $looked), array_filter(array_map(count(...), $found))];
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
