<?php

declare(strict_types=1);

namespace App\Changes;

use App\Models\Change;
use App\Models\StoredInstallation;
use App\Models\StoredPart;
use App\Models\StoredRun;
use App\Models\User;
use App\Planning\Edit;
use App\Planning\Pinning;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;
use Sartal\Core\Given\Catalogue\Catalogue;

/** The one door through which decisions are written: all or nothing, by whom, and how to take it back. */
final readonly class ChangeLog
{
    public function __construct(private Foresight $foresight)
    {
    }

    /**
     * @param  list<Edit>  $edits
     * @param  ?Catalogue  $pins  types that come into use; once pinned they stay, whatever is undone
     *
     * @throws StaleWrite when a row is not at the version that its edit was made on
     * @throws Overtakes|PutAside where the request asked for it ({@see Intent})
     */
    public function write(
        StoredInstallation $installation,
        User $by,
        string $words,
        array $edits,
        ?Change $undoes = null,
        ?Catalogue $pins = null,
    ): Change {
        $this->foresight->weigh($installation, $by, $words, $edits, $pins);

        return DB::transaction(function () use ($installation, $by, $words, $edits, $undoes, $pins): Change {
            // One writer at a time per installation: versions are compared under this lock.
            DB::table('installations')->where('id', $installation->id)->lockForUpdate()->first();
            $locked = StoredInstallation::query()->findOrFail($installation->id);
            $entries = [];
            foreach ($edits as $edit) {
                $entries[] = $this->apply($installation, $edit);
            }
            if ($pins !== null) {
                $locked->update(['catalogue' => Pinning::more($locked->catalogue, $pins)]);
            }
            $installation
                ->newQuery()
                ->whereKey($installation->id)
                ->increment('revision', 1, ['decisions' => (string) Str::ulid()]);

            return Change::query()->create([
                'installation_id' => $installation->id,
                'user_id' => $by->id,
                'words' => mb_substr($words, 0, 250),
                'entries' => $entries,
                'undoes' => $undoes?->id,
                'created_at' => now(),
            ]);
        });
    }

    /**
     * Takes a change back, as a change of its own.
     *
     * @throws StaleWrite when something that it touched has changed since
     */
    public function undo(StoredInstallation $installation, User $by, Change $change): Change
    {
        $edits = [];
        foreach (array_reverse($change->entries) as $entry) {
            $now = $this->current($installation, $entry['kind'], $entry['key']);
            if ($now !== $entry['after']) {
                throw new StaleWrite($entry['kind'], $entry['key'], $now === null ? null : 0);
            }
            $edits[] = new Edit($entry['kind'], $entry['key'], $entry['before']);
        }

        return $this->write(
            $installation,
            $by,
            $change->undoes === null
                ? 'Undone: '.$change->words
                : 'Done again: '.preg_replace('~^Undone: ~', '', $change->words),
            $edits,
            $change,
        );
    }

    /** @return array{kind: string, key: string, before: ?array<int|string, mixed>, after: ?array<int|string, mixed>} */
    private function apply(StoredInstallation $installation, Edit $edit): array
    {
        $row = $this->row($installation, $edit->kind, $edit->key);
        if ($edit->version !== null && ($row === null || $row->getAttribute('version') !== $edit->version)) {
            $current = $row?->getAttribute('version');
            throw new StaleWrite($edit->kind, $edit->key, is_int($current) ? $current : null);
        }
        $before = $row === null ? null : $this->shape($edit->kind, $row);
        if ($edit->after === null) {
            $row?->delete();
        } elseif ($this->isOfTheWhole($edit->kind)) {
            $row?->update([$edit->kind => $edit->after, 'version' => $this->next($row)]);
        } elseif ($row === null) {
            $this->insert($installation, $edit, $edit->after);
        } else {
            $columns = $this->columns($edit->kind, $edit->after);
            $columns['version'] = $this->next($row);
            $row->update($columns);
        }

        return ['kind' => $edit->kind, 'key' => $edit->key, 'before' => $before, 'after' => $edit->after];
    }

    /** @return ?array<int|string, mixed> */
    private function current(StoredInstallation $installation, string $kind, string $key): ?array
    {
        $row = $this->row($installation, $kind, $key);

        return $row === null ? null : $this->shape($kind, $row);
    }

    private function row(StoredInstallation $installation, string $kind, string $key): ?Model
    {
        return match ($kind) {
            'rules', 'panel', 'economy', 'workshop', 'testing' => $installation->fresh(),
            'run' => StoredRun::query()->where('installation_id', $installation->id)->where('key', $key)->first(),
            default => StoredPart::query()
                ->where('installation_id', $installation->id)
                ->where('kind', $kind)
                ->where('key', $key)
                ->first(),
        };
    }

    /** @param  array<int|string, mixed>  $after */
    private function insert(StoredInstallation $installation, Edit $edit, array $after): void
    {
        $columns = [
            'installation_id' => $installation->id,
            'key' => $edit->key,
            ...$this->columns($edit->kind, $after),
        ];
        if ($edit->kind === 'run') {
            StoredRun::query()->create($columns);
        } else {
            StoredPart::query()->create(['kind' => $edit->kind, ...$columns]);
        }
    }

    /**
     * @param  array<int|string, mixed>  $after
     * @return array<string, mixed>
     */
    private function columns(string $kind, array $after): array
    {
        return $kind === 'run'
            ? [
                'definition' => $after,
                'code' => $after['code'] ?? '',
                'withdrawn' => (bool) ($after['withdrawn'] ?? false),
            ]
            : ['definition' => $after];
    }

    /** @return array<int|string, mixed> */
    private function shape(string $kind, Model $row): array
    {
        /** @var array<int|string, mixed> $shape */
        $shape = $row->getAttribute($this->isOfTheWhole($kind) ? $kind : 'definition');

        return $shape;
    }

    /** Kept with the installation itself: its rules, what is joined and plugged together, what things cost. */
    private function isOfTheWhole(string $kind): bool
    {
        return in_array($kind, ['rules', 'panel', 'economy', 'workshop', 'testing'], true);
    }

    private function next(Model $row): int
    {
        $version = $row->getAttribute('version');

        return (is_int($version) ? $version : 0) + 1;
    }
}
