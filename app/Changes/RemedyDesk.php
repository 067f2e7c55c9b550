<?php

declare(strict_types=1);

namespace App\Changes;

use App\Bench\Jobs;
use App\Bench\KeptJob;
use App\Bench\KeptJobs;
use App\Bench\Times;
use App\Models\Membership;
use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use App\Planning\InstallationStore;
use App\Planning\Kept;
use App\Planning\KeptStandings;
use App\Planning\Loaded;
use App\Planning\Near;
use App\Planning\Touched;
use App\Recording\BenchRecorder;
use App\Recording\Refused;
use Illuminate\Support\Facades\DB;
use Ramsey\Uuid\Uuid;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Later\Changing\Impact;
use Sartal\Core\Later\Changing\ImpactPlanner;
use Sartal\Core\Later\Changing\Pieces;
use Sartal\Core\Later\Changing\Remedy;
use Sartal\Core\Later\Changing\RemedyKind;
use Sartal\Core\Later\Changing\RunImpact;
use Sartal\Core\Later\Changing\Work;
use Sartal\Core\Proof\Record\CutMade;
use Sartal\Core\Proof\Record\CutNoted;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\EventKind;
use Sartal\Core\Proof\Record\Particulars;
use Sartal\Core\Proof\Record\TakenBack;
use Sartal\Core\Work\Bench\Covers;
use Sartal\Core\Work\Bench\Pace;

/**
 * Puts overtaken work right, by ordinary records: a piece that serves is
 * confirmed as cut, what is made again goes back to the bench. Labels, tests
 * and what lies elsewhere are recorded where they are done.
 */
final readonly class RemedyDesk
{
    public function __construct(
        private InstallationStore $store,
        private Jobs $jobs,
        private KeptJobs $kept,
        private BenchRecorder $bench,
        private Times $times,
        private Near $near,
    ) {
    }

    /** @return list<string> runs of which something is overtaken, by what is kept: the others are not looked at */
    public function overtaken(StoredInstallation $stored): array
    {
        $load = fn (): Loaded => $this->jobs->loaded($stored);
        // Jobs first: where all of them have to be made, there is room.
        $jobs = $this->kept->of($stored);
        $runs = [];
        foreach (KeptStandings::atWork($stored, $load)->runs() as $id => $run) {
            if (! $run->withdrawn && array_filter($run->strand, ImpactPlanner::isOvertaken(...)) !== []) {
                $runs[$id] = (string) $id;
            }
        }
        foreach ($jobs as $job) {
            foreach ($job->overtaken as $run) {
                $runs[$run] = $run;
            }
        }

        return array_values($runs);
    }

    /**
     * What their remedies follow from: what is decided, how long things take, and what was recorded on them and on
     * whatever is made of the same cable, for its pieces may be changed for theirs.
     *
     * @param  list<string>  $runs
     */
    public function state(StoredInstallation $stored, array $runs): string
    {
        if ($runs === []) {
            return Kept::state($stored->edition(), $stored->decisions);
        }
        $jobs = $this->kept->of($stored);
        $assemblyOf = $this->kept->assemblyOf($stored);
        $cables = $on = [];
        foreach ($runs as $run) {
            $job = $jobs[$assemblyOf[$run] ?? ''] ?? null;
            $cables += array_fill_keys($job->facts->cables ?? [], true);
            $on[] = [$run, $job === null ? Touched::last($stored) : $job->seen];
        }
        $alike = array_filter(
            $jobs,
            static fn (KeptJob $job): bool => array_intersect_key($cables, array_flip($job->facts->cables)) !== [],
        );
        $times = $this->times->of($stored);

        return Kept::state(
            $stored->edition(),
            $stored->decisions,
            serialize($on),
            serialize(array_map(static fn (KeptJob $job): int => $job->seen, $alike)),
            serialize(array_map($times->minutes(...), Pace::cases())),
        );
    }

    /** @param  list<string>  $runs  of which something is overtaken */
    public function standing(StoredInstallation $stored, array $runs): Impact
    {
        // Of nothing, it is a sum of nothing.
        $loaded = $runs === [] && $stored->release_id === null
            ? $this->near->runs($stored, [])
            : $this->jobs->loaded($stored);

        return (new ImpactPlanner(
            new Work($loaded->installation, $loaded->plan(), $loaded->record),
            $this->times->of($stored),
        ))->standing($runs);
    }

    /** What is overtaken on one run; null where nothing is. */
    public function on(Loaded $loaded, string $run): ?RunImpact
    {
        $assembly =
            $loaded->plan()->assemblies[$loaded->plan()->assemblyOf[$run] ?? ''] ??
            abort(404, 'There is no such run here. It may have been removed.');
        $covers = (new Covers($loaded->installation, $loaded->plan()->layout, $loaded->dresser()))->of($assembly->runs);

        return (new ImpactPlanner(
            new Work($loaded->installation, $loaded->plan(), $loaded->record, $covers),
            $this->times->of($loaded->stored),
        ))->on($run);
    }

    /**
     * @param  string  $id  UUID made by the client: the same is recorded once
     *
     * @throws Refused
     */
    public function record(StoredInstallation $stored, Membership $by, string $run, string $remedy, string $id): void
    {
        DB::transaction(function () use ($stored, $by, $run, $remedy, $id): void {
            // Under one lock: two people who mend the same run at the same moment mend it once.
            DB::select('select pg_advisory_xact_lock(?, hashtext(?))', [$stored->id, 'mend']);
            if (
                StoredEvent::query()
                    ->where('installation_id', $stored->id)
                    ->where('uuid', $this->derived($id, $run))
                    ->exists() ||
                StoredEvent::query()->where('installation_id', $stored->id)->where('uuid', $id)->exists()
            ) {
                return;
            }
            $loaded = $this->store->atWork($stored->refresh());
            $chosen = $this->chosen($this->on($loaded, $run), $remedy);
            match (true) {
                $chosen->kind->isConfirmed() => $this->confirm($loaded, $by, $run, $chosen, $id),
                $chosen->kind->isReopened() => $this->reopen($loaded, $by, $run, $chosen, $id),
                default => throw Refused::because(
                    'This is recorded where it is done: labels under Labels, tests under Test, pulling on site.',
                ),
            };
            $stored->newQuery()->whereKey($stored->id)->increment('revision');
        });
    }

    /** @throws Refused */
    private function chosen(?RunImpact $impact, string $key): Remedy
    {
        if ($impact === null) {
            throw Refused::because('Nothing is overtaken on this run any more. Load the page again.');
        }
        foreach (
            [
                ...array_merge(...array_map(static fn ($each): array => $each->remedies, $impact->overtaken)),
                $impact->remake,
            ] as $remedy
        ) {
            if ($remedy->key() === $key) {
                return $remedy;
            }
        }
        throw Refused::because('This remedy does not help any more. Load the page again and choose another.');
    }

    /** Pieces that serve, each where it belongs now. */
    private function confirm(Loaded $loaded, Membership $by, string $run, Remedy $remedy, string $id): void
    {
        $pieces = new Pieces(new Work($loaded->installation, $loaded->plan(), $loaded->record));
        $ring = $remedy->kind === RemedyKind::Exchange ? $remedy->pieces : [$run => $run];
        foreach ($ring as $to => $from) {
            $to = (string) $to;
            [$own, $gets] = [$pieces->of($to), $pieces->of($from)];
            if ($own === null || $gets === null) {
                throw Refused::because('A piece is gone meanwhile. Load the page again.');
            }
            if (! $gets->servesAtAPinch($own)) {
                StoredEvent::add(
                    $loaded->stored,
                    $by->user,
                    $this->event(
                        $this->derived($id, $to),
                        EventKind::TakenBack,
                        $to,
                        null,
                        $by,
                        '',
                        $remedy->words,
                        new TakenBack(EventKind::Cut),
                    ),
                );

                continue;
            }
            $missing = $own->needed->minus($gets->length);
            $note =
                match (true) {
                    $to !== $from => 'piece cut for '.$loaded->installation->runs()[$from]->code,
                    default => 'kept',
                }.
                (! $missing->isNegative() && ! $missing->isZero()
                    ? sprintf('; %s of its slack is used up', $missing->canonical())
                    : '');
            $fingerprint = $loaded->plan()->reliedOn($to)->for(EventKind::Cut, null);
            StoredEvent::add(
                $loaded->stored,
                $by->user,
                $this->event(
                    $this->derived($id, $to),
                    EventKind::Cut,
                    $to,
                    null,
                    $by,
                    $fingerprint,
                    $note,
                    new CutNoted(
                        new CutMade($gets->length, cable: $loaded->installation->runs()[$to]->cable),
                        $gets->made,
                    ),
                ),
            );
        }
    }

    /** Back to the bench: what is done again, and the beads that it empties. */
    private function reopen(Loaded $loaded, Membership $by, string $run, Remedy $remedy, string $id): void
    {
        $job =
            $this->jobs->of($loaded->stored, [$loaded->plan()->assemblyOf[$run]]) ??
            throw Refused::because('There is no such job any more. Load the page again.');
        $this->bench->record($loaded->stored, $job, $by, [
            'id' => $id,
            'kind' => EventKind::Reworked->value,
            'run' => $run,
            'step' => $remedy->step,
            'note' => 'overtaken by a change: '.lcfirst($remedy->words),
            'reopens' => $remedy->reopens,
            'scraps' => $remedy->scraps,
        ]);
        $now = new Work(
            $loaded->installation,
            $loaded->plan(),
            $this->store->atWork($loaded->stored->refresh())->record,
        );
        $sides = $remedy->side === null ? Side::cases() : [$remedy->side];
        foreach ($remedy->kind === RemedyKind::Steps ? [] : $sides as $side) {
            $this->empty($loaded->stored, $by, $run, $side, $id, $now, EventKind::Joined, EventKind::Remade);
        }
        foreach (
            $remedy->kind === RemedyKind::Remake
                ? [
                    EventKind::Cut,
                    EventKind::Inspected,
                    EventKind::Labelled,
                    EventKind::Pulled,
                    EventKind::Dressed,
                    EventKind::Installed,
                ]
                : [] as $kind
        ) {
            $this->empty($loaded->stored, $by, $run, null, $id, $now, $kind);
        }
    }

    /** Takes back what an end or a run was said to be as a whole, where the bench has not done so. */
    private function empty(
        StoredInstallation $stored,
        Membership $by,
        string $run,
        ?Side $side,
        string $id,
        Work $now,
        EventKind ...$kinds,
    ): void {
        if ($now->last($run, $side?->value, ...$kinds) !== null) {
            StoredEvent::add(
                $stored,
                $by->user,
                $this->event(
                    $this->derived($id, $run.$kinds[0]->value.($side->value ?? '')),
                    EventKind::TakenBack,
                    $run,
                    $side,
                    $by,
                    '',
                    '',
                    new TakenBack($kinds[0]),
                ),
            );
        }
    }

    private function event(
        string $id,
        EventKind $kind,
        string $run,
        ?Side $side,
        Membership $by,
        string $fingerprint,
        string $note,
        Particulars $says,
    ): Event {
        $at = now('UTC')->format('Y-m-d\TH:i:s.u\Z');

        return new Event($id, $kind, $run, $side, $by->user->key, $at, $at, $fingerprint, note: $note, says: $says);
    }

    private function derived(string $id, string $of): string
    {
        return Uuid::uuid5($id, $of)->toString();
    }
}
