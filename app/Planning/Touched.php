<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\StoredEvent;
use App\Models\StoredInstallation;
use Closure;
use Illuminate\Database\Eloquent\Relations\HasMany;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Proof\Record\Event;
use Sartal\Core\Proof\Record\Record;

/** What was recorded since somebody looked, and which assemblies it is about: neither is read for it, only rows. */
final class Touched
{
    /** Rows that are looked at again: of two that record at once, the one with the lower number may come later. */
    private const OVERLAP = 500;

    /** min that a record may take to be seen by others, from when it was written. */
    private const LATE = 5;

    /** @return array{int, string} row and id of the last record */
    public static function last(StoredInstallation $stored): array
    {
        $row = $stored
            ->events()
            ->toBase()
            ->reorder()
            ->orderByDesc('id')
            ->first(['id', 'uuid']);

        return $row === null ? [0, ''] : [(int) $row->id, (string) $row->uuid];
    }

    /** Row of the last record that matters to more than its own job. */
    public static function milestone(StoredInstallation $stored): int
    {
        $rows = $stored->events()->toBase()->reorder();
        $rows->where(static function ($row): void {
            $row->where('step', '')->orWhereNotIn('kind', Recorded::apart());
        });

        return (int) $rows->max('id');
    }

    /** @return array{int, int} row of the last record by which stock or shopping is another, and how many there are */
    public static function stock(StoredInstallation $stored): array
    {
        $rows = $stored
            ->events()
            ->toBase()
            ->reorder()
            ->whereIn('kind', Recorded::OF_STOCK);
        $found = $rows->selectRaw('max(id) as last, count(*) as many')->first();

        return [(int) ($found->last ?? 0), (int) ($found->many ?? 0)];
    }

    /** Whether a record that was the last is there still, under its number: else it is another record. */
    public static function has(StoredInstallation $stored, int $row, string $id): bool
    {
        return ($stored->events()->toBase()->reorder()->where('id', $row)->value('uuid') ?? '') === $id;
    }

    /**
     * @param  array<int|string, string>  $assemblyOf  by run
     * @return array<int|string, int> assembly → its last row
     */
    public static function all(StoredInstallation $stored, array $assemblyOf): array
    {
        return self::by(self::rows($stored, 0), $assemblyOf);
    }

    /**
     * @param  array<int|string, string>  $assemblyOf  by run
     * @return array<int|string, int> assembly → its last row, of those about which something came in
     */
    public static function since(StoredInstallation $stored, int $row, array $assemblyOf): array
    {
        return self::by(self::rows($stored, max(0, $row - self::OVERLAP)), $assemblyOf);
    }

    /**
     * Where it may be told twice and not never: what came in after a row, and before it what was written just now.
     *
     * @param  array<int|string, string>  $assemblyOf  by run
     * @return list<string> assemblies
     */
    public static function lately(StoredInstallation $stored, int $row, array $assemblyOf): array
    {
        $late = static fn (Builder $rows): Builder => $rows->where(
            static fn (Builder $of) => $of
                ->where('id', '>', $row)
                ->orWhere('created_at', '>', now()->subMinutes(self::LATE)),
        );
        $last = self::by(self::rows($stored, max(0, $row - self::OVERLAP), $late), $assemblyOf);

        return array_map(strval(...), array_keys($last));
    }

    /**
     * Everything that was recorded on runs, and tests elsewhere that say that they cover one of them.
     *
     * @param  list<string>  $runs
     */
    public static function record(StoredInstallation $stored, array $runs): Record
    {
        return new Record(self::events($stored, $runs));
    }

    /**
     * The same, as it came.
     *
     * @param  list<string>  $runs
     * @return list<Event>
     */
    public static function events(StoredInstallation $stored, array $runs): array
    {
        return Recorded::read($stored, self::rowsOf($stored, $runs));
    }

    /**
     * @param  list<string>  $runs
     * @return HasMany<StoredEvent, StoredInstallation>
     */
    public static function rowsOf(StoredInstallation $stored, array $runs): HasMany
    {
        $rows = $stored->events();
        $rows->where(static function ($of) use ($runs): void {
            $of->whereIn('run', $runs)->orWhere(static function ($elsewhere) use ($runs): void {
                $elsewhere->whereIn('kind', ['tested', 'settled']);
                $elsewhere->whereRaw(
                    sprintf(
                        "jsonb_exists_any((definition->'covers')::jsonb, array[%s]::text[])",
                        implode(', ', array_fill(0, count($runs), '?')),
                    ),
                    $runs,
                );
            });
        });

        return $rows;
    }

    /**
     * @param  ?Closure(Builder): Builder  $among  of those after it, which; null: all
     * @return array<int|string, int> the last row after one that is about each run
     */
    private static function rows(StoredInstallation $stored, int $after, ?Closure $among = null): array
    {
        $all = static fn (): Builder => $stored->events()->toBase()->reorder()->where('id', '>', $after);
        $rows = static fn (): Builder => $among === null ? $all() : $among($all());
        $last = [];
        foreach ($rows()->selectRaw('run, max(id) as last')->groupBy('run')->get() as $row) {
            $last[$row->run] = (int) $row->last;
        }
        $covering = $rows()->whereRaw("json_typeof(definition->'covers') = 'array'");
        $covering->selectRaw("json_array_elements_text(definition->'covers') as run, id");
        $covered = DB::query()->fromSub($covering, 'covered')->groupBy('run');
        foreach ($covered->selectRaw('run, max(id) as last')->get() as $row) {
            $last[$row->run] = max($last[$row->run] ?? 0, (int) $row->last);
        }

        return $last;
    }

    /**
     * @param  array<int|string, int>  $rows  by run
     * @param  array<int|string, string>  $assemblyOf  by run
     * @return array<int|string, int> assembly → its last row
     */
    private static function by(array $rows, array $assemblyOf): array
    {
        $last = [];
        foreach ($rows as $run => $row) {
            $id = $assemblyOf[$run] ?? null;
            if ($id !== null) {
                $last[$id] = max($last[$id] ?? 0, $row);
            }
        }

        return $last;
    }
}
