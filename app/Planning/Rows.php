<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredEntry;
use App\Models\StoredInstallation;
use App\Models\StoredRun;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Database\Eloquent\Model;
use Sartal\Core\File\DecisionHome;
use Sartal\Core\File\DecisionKind;

/** Where the decisions of one installation are kept, whatever their kind. */
final class Rows
{
    /** @var array<array-key, Model> rows that were read together, each until somebody takes it */
    private array $read = [];

    /** @var array<array-key, true> what was read together, whether it is there or not */
    private array $asked = [];

    public function __construct(private readonly StoredInstallation $installation)
    {
    }

    /**
     * What is going to be asked for is read together.
     *
     * @param  list<Edit>  $edits
     */
    public function foresee(array $edits): void
    {
        $keys = [];
        foreach ($edits as $edit) {
            $keys[$edit->kind->value][] = $edit->key;
        }
        foreach ($keys as $of => $some) {
            $kind = DecisionKind::from($of);
            foreach ($this->among($kind, $some)?->get() ?? [] as $row) {
                $this->read[$of.' '.$row->key] = $row;
            }
            $this->asked += array_fill_keys(array_map(static fn (string $key): string => $of.' '.$key, $some), true);
        }
    }

    /** @return ?array<int|string, mixed> what stands now, in the shape of the file format */
    public function current(DecisionKind $kind, string $key): ?array
    {
        $row = $this->row($kind, $key);

        return $row === null ? null : $this->shape($kind, $row);
    }

    public function row(DecisionKind $kind, string $key): ?Model
    {
        $name = $kind->value.' '.$key;
        $row = $this->read[$name] ?? null;
        // Taken once: it may be another, or gone, since.
        $isRead = isset($this->asked[$name]);
        unset($this->read[$name], $this->asked[$name]);

        return match (true) {
            $kind->home() === DecisionHome::Whole => $this->installation->fresh(),
            $isRead => $row,
            default => $this->among($kind, [$key])?->first(),
        };
    }

    /**
     * @param  list<string>  $keys
     * @return Builder<StoredRun>|Builder<StoredEntry>|null null: it is the installation's own row
     */
    private function among(DecisionKind $kind, array $keys): ?Builder
    {
        $rows = match ($kind->home()) {
            DecisionHome::Whole => null,
            DecisionHome::Run => StoredRun::query(),
            default => StoredEntry::query()->where('kind', $kind->value),
        };

        $rows?->where('installation_id', $this->installation->id);
        $rows?->whereIn('key', $keys);

        return $rows;
    }

    /** @return array<int|string, mixed> */
    public function shape(DecisionKind $kind, Model $row): array
    {
        /** @var array<int|string, mixed> $shape */
        $shape = $row->getAttribute($kind->home() === DecisionHome::Whole ? $kind->value : 'definition');

        return $shape;
    }

    /** @return ?int the version that it has since; null where it is gone */
    public function put(Edit $edit, ?Model $row): ?int
    {
        if ($edit->after === null) {
            $row?->delete();

            return null;
        }
        $whole = $edit->kind->home() === DecisionHome::Whole;
        /** @var array<string, mixed> $columns */
        $columns = $whole ? [$edit->kind->value => $edit->after] : $this->columns($edit->kind, $edit->after);
        if ($row === null) {
            $this->insert($edit, $columns);

            return 1;
        }
        $version = $row->getAttribute('version');
        $next = (is_int($version) ? $version : 0) + 1;
        $columns['version'] = $next;
        $row->update($columns);

        return $next;
    }

    /** @param  array<string, mixed>  $columns */
    private function insert(Edit $edit, array $columns): void
    {
        $columns = ['installation_id' => $this->installation->id, 'key' => $edit->key, ...$columns];
        if ($edit->kind === DecisionKind::Run) {
            StoredRun::query()->create($columns);
        } else {
            StoredEntry::query()->create(['kind' => $edit->kind->value, ...$columns]);
        }
    }

    /**
     * @param  array<int|string, mixed>  $after
     * @return array<string, mixed>
     */
    private function columns(DecisionKind $kind, array $after): array
    {
        return $kind === DecisionKind::Run
            ? [
                'definition' => $after,
                'code' => $after['code'] ?? '',
                'withdrawn' => (bool) ($after['withdrawn'] ?? false),
            ]
            : ['definition' => $after];
    }
}
