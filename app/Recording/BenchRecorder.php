<?php

declare(strict_types=1);

namespace App\Recording;

use App\Bench\Job;
use App\Formats\BadLine;
use App\Models\Membership;
use App\Models\Role;
use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;
use Sartal\Core\File\EventCodec;
use Sartal\Core\File\Fields;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\File\Problems;
use Sartal\Core\Plan\Planning\Fingerprints;
use Sartal\Core\Proof\Record\EndMade;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\LookedOver;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Proof\Record\TakenBack;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\Flaw;
use Sartal\Core\Work\Bench\Milestone;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;

/**
 * Writes down what is done at the bench, piece by piece. Under a lock on its
 * assembly each piece is looked at once more, so that two people who confirm
 * the same contact at the same moment leave one record, and the second is
 * told who was first. When the last piece of an end is done, the end is.
 */
final readonly class BenchRecorder
{
    public function __construct(private BenchRecord $records)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  an event as the browser sends it
     * @param  ?Sent  $as  what came with its id; null where the server made the id of something else
     * @return bool whether it was new
     *
     * @throws Refused
     * @throws InvalidDocument
     * @throws BadLine
     */
    public function record(StoredInstallation $stored, Job $job, Membership $by, array $data, ?Sent $as = null): bool
    {
        $received = now('UTC')->format('Y-m-d\TH:i:s.u\Z');
        $problems = new Problems();
        $fields = Fields::from(
            [...$data, 'by' => $by->user->key, 'received' => $received, 'at' => $data['at'] ?? $received],
            '',
            $problems,
        );
        $sent = EventCodec::decode($fields);
        $fields->done();
        $problems->settle();
        Strays::refuse($sent);
        $operation = $job->operation($sent->step);
        $this->allowed($sent, $operation, $by);
        $run = $operation->run ?? $sent->run;
        $assembly =
            $job->assemblyOf[$run] ?? throw Refused::because('This run is not part of the job. Load the job again.');

        return DB::transaction(function () use ($stored, $job, $by, $sent, $operation, $run, $assembly, $as): bool {
            DB::select('select pg_advisory_xact_lock(?, hashtext(?))', [$stored->id, 'bench:'.$assembly]);
            if (Sent::isRepeat($stored, $sent->id, $as)) {
                return false;
            }
            $operations = $job->operationsOf($assembly);
            $events = $this->records->events(
                $stored,
                array_map(
                    strval(...),
                    array_keys(array_filter($job->assemblyOf, static fn (string $of): bool => $of === $assembly)),
                ),
            );
            $before = new Progress($operations, $events);
            $event = $this->complete($sent, $run, $operation, $before, $operations, $by);
            $after = new Progress($operations, [...$events, $event]);
            StoredEvent::add($stored, $by->user, $event, $as?->digest);
            foreach ($this->milestones($event, $before, $after, $job) as $milestone) {
                StoredEvent::add($stored, $by->user, $milestone);
            }
            $stored->newQuery()->whereKey($stored->id)->increment('revision');

            return true;
        });
    }

    private function allowed(Event $sent, ?Operation $operation, Membership $by): void
    {
        if ($sent->step !== '' && $operation === null) {
            throw Refused::because(
                'The plan has changed, and this is not done here any more. Load the job again; what you did before is kept.',
            );
        }
        if ($operation !== null && $sent->kind->isDone() && $sent->kind !== $operation->task->event()) {
            throw Refused::because(
                sprintf(
                    'This step is recorded as "%s", not as "%s".',
                    $operation->task->event()->value,
                    $sent->kind->value,
                ),
            );
        }
        $works =
            $sent->kind->isDone() ||
            in_array(
                $sent->kind,
                [EventKind::Skipped, EventKind::TakenBack, EventKind::Reworked, EventKind::Flagged],
                true,
            );
        if (
            ! $works &&
            ! in_array(
                $sent->kind,
                [
                    EventKind::Paused,
                    EventKind::Resumed,
                    EventKind::Held,
                    EventKind::Lifted,
                    EventKind::Asked,
                    EventKind::Answered,
                    EventKind::Pictured,
                ],
                true,
            )
        ) {
            throw Refused::because(sprintf('"%s" is not recorded at the bench.', $sent->kind->value));
        }
        if ($works && $operation === null) {
            throw Refused::because('Say which step it is.');
        }
        if ($works && $operation->skill === Skill::Mains && ! $by->hasSkill(Skill::Mains)) {
            throw Refused::unlicensed();
        }
        if ($sent->kind === EventKind::Answered && ! $by->hasRole(Role::Planner, Role::Lead)) {
            throw Refused::because('A question is answered by the planner or the lead.');
        }
        // A tester sends back what a test found, a planner what a change overtook; making it good is the bench's.
        $sendsBack = $sent->kind === EventKind::Reworked && $by->hasRole(Role::Tester, Role::Planner);
        if (
            ! $by->hasRole(Role::Bench, Role::Installer, Role::Lead) &&
            $sent->kind !== EventKind::Answered &&
            ! $sendsBack
        ) {
            throw Refused::because('Work at the bench is recorded by bench technicians, installers and the lead.');
        }
        if (
            in_array(
                $sent->kind,
                [EventKind::Skipped, EventKind::Held, EventKind::Paused, EventKind::Asked, EventKind::Answered],
                true,
            ) &&
            trim($sent->note) === ''
        ) {
            throw Refused::because(
                match ($sent->kind) {
                    EventKind::Skipped => 'Say why it is left out: the end will show it.',
                    EventKind::Asked => 'Write the question.',
                    EventKind::Answered => 'Write the answer.',
                    default => 'Say why.',
                },
            );
        }
    }

    /**
     * What the server has to say of it: where it stands, by which description.
     *
     * @param  array<int|string, Operation>  $operations
     */
    private function complete(
        Event $sent,
        string $run,
        ?Operation $operation,
        Progress $before,
        array $operations,
        Membership $by,
    ): Event {
        $holds = $before->holds();
        $works = $operation !== null && ($sent->kind->isDone() || $sent->kind === EventKind::Skipped);
        if ($works && $holds !== []) {
            throw Refused::held($holds[0]->note, self::name($holds[0]));
        }
        if ($works) {
            $this->inOrder($operation, $before, $operations);
        }
        if ($sent->kind === EventKind::TakenBack && $operation !== null) {
            $this->last($operation, $before, $operations);
        }
        if ($sent->kind === EventKind::Lifted) {
            $hold =
                array_values(array_filter($holds, static fn (Event $hold): bool => $hold->id === $sent->of()))[0] ??
                throw Refused::because('This hold is lifted already.');
            if ($hold->by !== $by->user->key && ! $by->hasRole(Role::Lead)) {
                throw Refused::because('The lead or whoever stopped the job lifts the hold.');
            }
        }
        if ($sent->kind === EventKind::Flagged && $sent->flag() === null) {
            throw Refused::because('Say whether it is damaged, extracted or redone.');
        }

        return $sent->filed(
            $run,
            $operation->side ?? $sent->side,
            $operation === null ? $sent->step : $before->named($operation),
            $operation !== null && $sent->kind->isDone() ? OperationFacts::fingerprint($operation) : '',
            $this->says($sent, $operation, $before, $operations),
        );
    }

    /** @param  array<int|string, Operation>  $operations */
    private function says(Event $sent, ?Operation $operation, Progress $before, array $operations): ?Particulars
    {
        $flaws = $operation?->task === Task::Inspect ? self::known($sent->flaws()) : [];

        return match ($sent->kind) {
            EventKind::ContactJoined => $operation === null ? null : new EndMade($operation->joints()),
            EventKind::Inspected => new LookedOver($flaws),
            EventKind::Reworked => new SentBack(
                array_values(
                    array_filter($before->reopened($sent), static fn (string $id): bool => isset($operations[$id])),
                ),
                $sent->rework()->scraps ?? [],
                $flaws,
                $sent->of(),
            ),
            EventKind::Flagged, EventKind::Lifted, EventKind::Answered, EventKind::Pictured => $sent->says,
            // A step is done, taken back or left out as it is planned: nothing more is said of it.
            default => null,
        };
    }

    /**
     * @param  array<int|string, string>  $flaws
     * @return array<int|string, string>
     */
    private static function known(array $flaws): array
    {
        foreach ($flaws as $flaw => $remedy) {
            if (Flaw::tryFrom((string) $flaw) === null || Disposition::tryFrom($remedy) === null) {
                throw Refused::because(sprintf('"%s" is nothing that is looked for. Load the job again.', $flaw));
            }
        }

        return $flaws;
    }

    private static function name(Event $event): string
    {
        $name = User::query()->where('key', $event->by)->value('name');

        return is_string($name) ? $name : $event->by;
    }

    /** @param  array<int|string, Operation>  $operations */
    private function inOrder(Operation $operation, Progress $before, array $operations): void
    {
        $standing = $before->of($operation->id);
        if ($standing->status->isSettled()) {
            throw Refused::taken(
                $operation->place,
                $operation->words,
                $standing->by === null ? '' : self::name($standing->by),
                $standing->by->at ?? '',
            );
        }
        if ($operation->task === Task::Test) {
            throw Refused::because('A test is recorded under Test, with what was read.');
        }
        $need = $before->waitsFor($operation)[0] ?? null;
        if ($need !== null) {
            throw Refused::early(
                $operations[$need->before]->place.', '.lcfirst($operations[$need->before]->words),
                $need->why,
            );
        }
    }

    /** @param  array<int|string, Operation>  $operations */
    private function last(Operation $operation, Progress $before, array $operations): void
    {
        if (
            ! $before->of($operation->id)->status->isSettled() &&
            $before->of($operation->id)->status !== Status::Overtaken
        ) {
            throw Refused::because('This is not done, so there is nothing to take back.');
        }
        foreach ($operations as $later) {
            $built = array_filter($later->needs, static fn ($need): bool => $need->before === $operation->id) !== [];
            if ($built && $before->of($later->id)->status === Status::Done) {
                throw Refused::because(
                    sprintf(
                        '%s, %s: that was done on top of it. Take that back first, or choose rework at the inspection.',
                        $later->place,
                        lcfirst($later->words),
                    ),
                );
            }
        }
    }

    /** @return list<Event> beads that this fills or empties */
    private function milestones(Event $event, Progress $before, Progress $after, Job $job): array
    {
        [$was, $is] = [$before->milestones(), $after->milestones()];
        $events = [];
        // Ends before what speaks of both of them: a run is looked over once its ends are made.
        $gained = array_diff_key($is, $was);
        uasort(
            $gained,
            static fn (Milestone $a, Milestone $b): int => ($a->kind === EventKind::Inspected) <=>
                ($b->kind === EventKind::Inspected),
        );
        foreach ($gained as $key => $milestone) {
            $events[] = self::milestone(
                $event,
                (string) $key,
                $milestone,
                $milestone->kind,
                $job->fingerprints[$milestone->run],
                null,
            );
        }
        foreach (array_diff_key($was, $is) as $key => $milestone) {
            $events[] = self::milestone(
                $event,
                (string) $key,
                $milestone,
                EventKind::TakenBack,
                null,
                $milestone->kind,
            );
        }

        return $events;
    }

    private static function milestone(
        Event $event,
        string $key,
        Milestone $milestone,
        EventKind $kind,
        ?Fingerprints $plan,
        ?EventKind $undoes,
    ): Event {
        return new Event(
            Uuid::uuid5($event->id, $kind->value.'|'.$key)->toString(),
            $kind,
            $milestone->run,
            $milestone->side,
            $event->by,
            $event->at,
            $event->received,
            $plan?->for($kind, $milestone->side) ?? '',
            says: $undoes === null ? $plan?->says($kind, $milestone->side) : new TakenBack($undoes),
        );
    }
}
