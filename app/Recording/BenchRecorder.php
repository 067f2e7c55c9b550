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
use App\Telling\OfRecord;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Ends\Making\Defect;
use Sartal\Core\File\InvalidDocument;
use Sartal\Core\Later\Telling\Concerned;
use Sartal\Core\Proof\Record\EndMade;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\LookedOver;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\Past;
use Sartal\Core\Proof\Record\SentBack;
use Sartal\Core\Work\Bench\Disposition;
use Sartal\Core\Work\Bench\Flaw;
use Sartal\Core\Work\Bench\Operation;
use Sartal\Core\Work\Bench\OperationFacts;
use Sartal\Core\Work\Bench\Progress;
use Sartal\Core\Work\Bench\Skill;
use Sartal\Core\Work\Bench\Status;
use Sartal\Core\Work\Bench\Task;

/**
 * Writes down what is done at the bench, piece by piece. A record that says
 * what it was done on is judged by what its person had before them: what two
 * people did apart from each other is kept, and shown to whoever settles it.
 * One that does not say is judged by what there is when it arrives. When the
 * last piece of an end is done, the end is.
 */
final readonly class BenchRecorder
{
    public function __construct(private Beads $beads, private OfRecord $telling)
    {
    }

    /**
     * @param  array<array-key, mixed>  $data  an event as the browser sends it
     * @param  ?Sent  $as  what came with its id; null where the server made the id of something else
     * @param  int  $skew  s by which the clock of the device was behind
     * @return bool whether it was new
     *
     * @throws Refused
     * @throws InvalidDocument
     * @throws BadLine
     */
    public function record(
        StoredInstallation $stored,
        Job $job,
        Membership $by,
        array $data,
        ?Sent $as = null,
        int $skew = 0,
    ): bool {
        $sent = Received::event($by, $data, $skew);
        Strays::refuse($sent);
        $operation = $job->operation($sent->step);
        $this->allowed($sent, $operation, $by);
        self::askedOfSomebody($sent, $stored);
        $run = $operation->run ?? $sent->run;
        $assembly =
            $job->assemblyOf[$run] ?? throw Refused::because('This run is not part of the job. Load the job again.');

        $saysOnWhat = isset($data['on']);

        return DB::transaction(function () use (
            $stored,
            $job,
            $by,
            $sent,
            $operation,
            $run,
            $assembly,
            $as,
            $saysOnWhat,
        ): bool {
            Beads::lock($stored, $assembly);
            if (Sent::isRepeat($stored, $sent->id, $as)) {
                return false;
            }
            $operations = $job->operationsOf($assembly);
            $events = $this->beads->events($stored, $job, $assembly);
            $known = $saysOnWhat ? Past::of($sent->on ?? [], $events) : $events;
            $event = $this->complete(
                $sent,
                $run,
                $operation,
                new Progress($operations, $known),
                new Progress($operations, $events),
                $operations,
                $by,
            );
            StoredEvent::add($stored, $by->user, $event, $as?->digest);
            $this->beads->follow($stored, $job, $assembly, $events, $event);
            if (Concerned::may($event->kind)) {
                $this->telling->tell($stored, $by->user, $event, $assembly, Beads::runs($job, $assembly), $events);
            }
            $stored->newQuery()->whereKey($stored->id)->increment('revision');

            return true;
        });
    }

    private function allowed(Event $sent, ?Operation $operation, Membership $by): void
    {
        if ($sent->step !== '' && $operation === null) {
            throw Refused::because(
                'The plan has changed, and this is not done here any more. Load the job again; what you did before '.
                    'is kept.',
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

    private static function askedOfSomebody(Event $sent, StoredInstallation $stored): void
    {
        $named = $sent->asks();
        $there = $named === [] ? [] : $stored->atWork()->get()->pluck('user.key')->all();
        foreach (array_diff($named, $there) as $person) {
            throw Refused::because(
                sprintf('"%s" is not at work here, and cannot be asked. Choose somebody of the crew.', $person),
            );
        }
    }

    /**
     * What the server has to say of it: where it stands, by which description.
     *
     * @param  Progress  $before  as its person knew it
     * @param  Progress  $now  as it is
     * @param  array<int|string, Operation>  $operations
     */
    private function complete(
        Event $sent,
        string $run,
        ?Operation $operation,
        Progress $before,
        Progress $now,
        array $operations,
        Membership $by,
    ): Event {
        $open = array_map(static fn (Event $hold): string => $hold->id, $now->holds());
        // What stops the job, as its person knew it, and nobody has lifted since.
        $holds = array_values(
            array_filter($before->holds(), static fn (Event $hold): bool => in_array($hold->id, $open, true)),
        );
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
                array_values(
                    array_filter(
                        [...$holds, ...$now->holds()],
                        static fn (Event $hold): bool => $hold->id === $sent->of(),
                    ),
                )[0] ?? throw Refused::because('This hold is lifted already.');
            if ($hold->by !== $by->user->key && ! $by->hasRole(Role::Lead)) {
                throw Refused::because('The lead or whoever stopped the job lifts the hold.');
            }
        }
        if ($sent->kind === EventKind::Flagged && $sent->flag() === null) {
            throw Refused::because('Say whether it is damaged, extracted or redone.');
        }

        // What it answers or goes back from came before it, whatever the clocks say.
        $on = $sent->of() === '' ? $sent->on : array_values(array_unique([...$sent->on ?? [], $sent->of()]));

        return $sent
            ->doneOn($on ?? [])
            ->filed(
                $run,
                $operation->side ?? $sent->side,
                $operation === null ? $sent->step : $now->named($operation),
                $operation !== null && $sent->kind->isDone() ? OperationFacts::fingerprint($operation) : '',
                $this->says($sent, $operation, $now, $operations),
            );
    }

    /** @param  array<int|string, Operation>  $operations */
    private function says(Event $sent, ?Operation $operation, Progress $before, array $operations): ?Particulars
    {
        $flaws = $operation?->task === Task::Inspect ? self::known($sent->flaws(), $operation) : [];

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
            EventKind::Flagged,
            EventKind::Lifted,
            EventKind::Asked,
            EventKind::Answered,
            EventKind::Pictured => $sent->says,
            // A step is done, taken back or left out as it is planned: nothing more is said of it.
            default => null,
        };
    }

    /**
     * @param  array<int|string, string>  $flaws
     * @return array<int|string, string>
     */
    private static function known(array $flaws, Operation $at): array
    {
        $sought = array_map(static fn (Defect $defect): string => $defect->name, $at->defects);
        foreach ($flaws as $flaw => $remedy) {
            $isSought = in_array((string) $flaw, $sought, true) || Flaw::tryFrom((string) $flaw) !== null;
            if (! $isSought || Disposition::tryFrom($remedy) === null) {
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
        // Whoever knows that two did it apart may say that it is done.
        if ($standing->status->isSettled() && ! isset($before->conflicts()[$operation->id])) {
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
            $before->of($operation->id)->status !== Status::Overtaken &&
            ! isset($before->conflicts()[$operation->id])
        ) {
            throw Refused::because('This is not done, so there is nothing to take back.');
        }
        foreach ($before->onTop($operation->id) as $later) {
            throw Refused::because(
                sprintf(
                    '%s, %s: that was done on top of it. Take that back first, or choose rework at the inspection.',
                    $operations[$later]->place,
                    lcfirst($operations[$later]->words),
                ),
            );
        }
    }
}
