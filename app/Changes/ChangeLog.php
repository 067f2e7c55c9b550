<?php

declare(strict_types=1);

namespace App\Changes;

use App\Models\Change;
use App\Models\StoredInstallation;
use App\Planning\Edit;
use App\Planning\InstallationStore;
use App\Planning\Loaded;
use App\Planning\MeasuredLegs;
use App\Planning\Pinning;
use App\Planning\Rows;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sartal\Core\File\DecisionKind;

/** The one door through which decisions are written: all or nothing, by whom, and how to take it back. */
final readonly class ChangeLog
{
    private const AFTER_UNDO =
        'What this change touched has been changed again since. Undo the later change first, '.'or edit it by hand.';

    public function __construct(
        private Foresight $foresight,
        private InstallationStore $store,
        private Concerns $concerns,
    ) {
    }

    /**
     * @throws StaleWrite when a row is not at the version that its edit was made on
     * @throws Overtakes|PutAside where its author asked for it ({@see Intent})
     */
    public function write(Decision $decision): Written
    {
        $concern = $decision->by->intent === Intent::Park ? null : $this->concerns->of($decision);
        if ($concern === null && $decision->on?->beyond !== null && $decision->by->intent !== Intent::Park) {
            // Of what it has to do with, the part that was read is not all.
            $decision = $decision->reading($this->store->load($decision->in));
        }
        $ahead = $this->foresight->weigh($decision, $concern);

        return DB::transaction(function () use ($decision, $concern, $ahead): Written {
            // One writer at a time per installation: versions are compared under this lock.
            DB::table('installations')->where('id', $decision->in->id)->lockForUpdate()->first();
            $locked = StoredInstallation::query()->findOrFail($decision->in->id);
            $rows = new Rows($locked);
            $rows->foresee($decision->edits);
            $read = $concern->before->stored ?? $decision->on?->stored;
            $alone = $locked->decisions === $read?->decisions;
            $entries = $versions = [];
            $isMeasured = false;
            foreach ($decision->edits as $edit) {
                [$entry, $version] = $this->apply($rows, $decision, $edit);
                $entries[] = $entry;
                if ($edit->kind === DecisionKind::Run) {
                    $versions[$edit->key] = $version;
                    $isMeasured = $isMeasured ||
                        MeasuredLegs::of($entry['before']) !== MeasuredLegs::of($entry['after']);
                }
            }
            if ($decision->pins !== null) {
                $locked->update(['catalogue' => Pinning::more($locked->catalogue, $decision->pins)]);
            }
            $locked
                ->newQuery()
                ->whereKey($locked->id)
                ->increment('revision', 1, [
                    'decisions' => $now = (string) Str::ulid(),
                    ...$isMeasured ? ['reached' => $now] : [],
                ]);
            $change = Change::query()->create([
                'installation_id' => $locked->id,
                'user_id' => $decision->by->user->id,
                'words' => mb_substr($decision->words, 0, 250),
                'entries' => $entries,
                'undoes' => $decision->undoes?->id,
                'created_at' => now(),
            ]);

            $alone ? $concern?->bring($now) : null;

            return new Written(
                $change,
                $concern->before ?? $decision->on,
                fn (): Loaded => $this->since($decision, $concern, $ahead, $alone, $versions),
            );
        });
    }

    /**
     * Takes a change back, as a change of its own.
     *
     * @throws StaleWrite when something that it touched has changed since
     */
    public function undo(StoredInstallation $installation, Author $by, Change $change): Written
    {
        $rows = new Rows($installation);
        $entries = array_reverse($change->entries);
        $edits = array_map(
            static fn (array $entry): Edit => new Edit(
                DecisionKind::from($entry['kind']),
                $entry['key'],
                $entry['before'],
            ),
            $entries,
        );
        $rows->foresee($edits);
        $stale = [];
        foreach ($edits as $i => $edit) {
            $now = $rows->current($edit->kind, $edit->key);
            if ($now !== $entries[$i]['after']) {
                $stale[] = [$edit, $now];
            }
        }
        $decision = new Decision(
            $installation,
            $by,
            Reversal::back($change),
            $edits,
            undoes: $change,
            ifStale: self::AFTER_UNDO,
        );
        if ($stale !== []) {
            throw new StaleWrite($decision, ...$stale[0]);
        }

        return $this->write($decision);
    }

    /**
     * The installation as it is after a decision: what was read for it with
     * its edits, unless somebody else has decided something in between.
     *
     * @param  ?Concern  $concern  all that it has to do with, where that is known
     * @param  ?Loaded  $ahead  as it was looked at before it was written
     * @param  array<int|string, ?int>  $versions  of the runs that it touched
     */
    private function since(
        Decision $decision,
        ?Concern $concern,
        ?Loaded $ahead,
        bool $alone,
        array $versions,
    ): Loaded {
        $stored = $decision->in->refresh();
        if ($decision->on === null || ! $alone) {
            return $this->store->load($stored);
        }
        // Whoever read a part is given a part.
        [$on, $ahead] = $concern !== null && $decision->on->beyond !== null
            ? [$concern->before, $concern->after]
            : [$decision->on, $ahead];
        $now = $this->store->since($on, $stored, $decision->edits, $decision->pins, $versions);

        // What it would be is what it is: it is planned once.
        return $ahead === null ? $now : $now->seeing($ahead->beyond)->planned($ahead->plan());
    }

    /**
     * @return array{array{kind: string, key: string, before: ?array<int|string, mixed>, after: ?array<int|string,
     *     mixed>}, ?int}
     *
     * @throws StaleWrite
     */
    private function apply(Rows $rows, Decision $decision, Edit $edit): array
    {
        $row = $rows->row($edit->kind, $edit->key);
        $before = $row === null ? null : $rows->shape($edit->kind, $row);
        $version = $row?->getAttribute('version');
        $isOther = $edit->was !== null && $edit->was != $before;
        if ($isOther || ($edit->version !== null && $version !== $edit->version)) {
            throw new StaleWrite($decision, $edit, $before, is_int($version) ? $version : null);
        }

        return [
            ['kind' => $edit->kind->value, 'key' => $edit->key, 'before' => $before, 'after' => $edit->after],
            $rows->put($edit, $row),
        ];
    }
}
