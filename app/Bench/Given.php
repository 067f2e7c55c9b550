<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;

/**
 * What the lead gave to whom: looms, jobs, and whatever takes a skill.
 *
 * @phpstan-type GivenTo array{looms: list<string>, jobs: list<string>, skills: list<string>}
 */
final class Given
{
    /**
     * An assembly is given by one of its runs: whatever it is joined to since, it goes to whoever has that.
     *
     * @param  array<int|string, string>  $assemblyOf  by run, as they are today
     * @return array<int|string, array<int|string, list<string>>> kind → key → keys of those at work
     */
    public function all(StoredInstallation $stored, array $assemblyOf): array
    {
        $given = [];
        foreach (
            DB::table('assignments')
                ->join('users', 'users.id', '=', 'assignments.user_id')
                ->join('memberships', static function (JoinClause $join): void {
                    $join->on('memberships.user_id', '=', 'users.id');
                    $join->on('memberships.installation_id', '=', 'assignments.installation_id');
                })
                ->where('assignments.installation_id', $stored->id)
                ->whereNull('retired_at')
                ->whereNull('ended_at')
                ->orderBy('users.name')
                ->orderBy('users.id')
                ->get(['kind', 'assignments.key', 'users.key as person']) as $row
        ) {
            $kind = (string) $row->kind;
            $key = $kind === 'assembly' ? $assemblyOf[$row->key] ?? (string) $row->key : (string) $row->key;
            $given[$kind][$key][] = (string) $row->person;
        }

        return $given;
    }

    /**
     * @param  int  $person  row
     * @param  bool  $only  to nobody else: whoever was given it before no longer is
     * @return array{id: int, isNew: bool, was: array<int, string>} row of it; row → key of those who no longer are
     */
    public function give(StoredInstallation $stored, int $person, string $kind, string $key, bool $only): array
    {
        $what = ['assignments.installation_id' => $stored->id, 'kind' => $kind, 'assignments.key' => $key];

        return DB::transaction(static function () use ($what, $person, $only): array {
            $others = DB::table('assignments')
                ->join('users', 'users.id', '=', 'user_id')
                ->where($what)
                ->where('user_id', '<>', $person)
                ->orderBy('users.key')
                ->pluck('users.key', 'assignments.id')
                ->all();
            if ($only && $others !== []) {
                DB::table('assignments')->whereIn('id', array_keys($others))->delete();
            }
            $isNew = DB::table('assignments')->insertOrIgnore([
                'installation_id' => $what['assignments.installation_id'],
                'kind' => $what['kind'],
                'key' => $what['assignments.key'],
                'user_id' => $person,
            ]);

            return [
                'id' => (int) DB::table('assignments')->where($what)->where('user_id', $person)->value('id'),
                'isNew' => $isNew > 0,
                'was' => $only ? array_filter($others, is_string(...)) : [],
            ];
        });
    }

    /** @return ?array{string, string, string} key of who had it, kind and key of what it was; null: it is gone */
    public function take(StoredInstallation $stored, int $row): ?array
    {
        $rows = DB::table('assignments')->where('installation_id', $stored->id)->where('assignments.id', $row);
        $given = $rows
            ->clone()
            ->join('users', 'users.id', '=', 'user_id')
            ->first(['users.key as person', 'kind', 'assignments.key']);
        $rows->delete();

        return $given === null ? null : [(string) $given->person, (string) $given->kind, (string) $given->key];
    }

    /**
     * @param  list<string>  $runs  of one assembly
     * @return list<string> keys of those who were given it, or a loom that one of its runs is in
     */
    public function with(StoredInstallation $stored, array $runs): array
    {
        $looms = DB::table('runs')
            ->where('installation_id', $stored->id)
            ->whereIn('key', $runs)
            ->selectRaw("definition->>'loom'");
        $given = DB::table('assignments')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $stored->id)
            ->where(static function (Builder $of) use ($runs, $looms): void {
                $of->where(static fn (Builder $one) => $one
                    ->where('kind', 'assembly')
                    ->whereIn('assignments.key', $runs));
                $of->orWhere(static fn (Builder $one) => $one
                    ->where('kind', 'loom')
                    ->whereIn('assignments.key', $looms));
            });

        return array_values(array_filter($given->distinct()->pluck('users.key')->all(), is_string(...)));
    }

    /** @return array{looms: list<string>, assemblies: list<string>} ids of what one person was given */
    public function to(StoredInstallation $stored, User $person): array
    {
        $given = self::of($stored, $person);

        return ['looms' => $given['loom'] ?? [], 'assemblies' => $given['assembly'] ?? []];
    }

    /** @return GivenTo what one person was given, by jobs as they are today */
    public function atBench(StoredInstallation $stored, User $person, KeptJobs $jobs): array
    {
        $given = self::of($stored, $person);
        $runs = $given['assembly'] ?? [];
        $assemblyOf = $runs === [] ? [] : $jobs->assemblyOf($stored);

        return [
            'looms' => $given['loom'] ?? [],
            'jobs' => array_map(static fn (string $run): string => $assemblyOf[$run] ?? $run, $runs),
            'skills' => $given['skill'] ?? [],
        ];
    }

    /** @return array<int|string, list<string>> kind → keys */
    private static function of(StoredInstallation $stored, User $person): array
    {
        $rows = DB::table('assignments')->where('installation_id', $stored->id)->where('user_id', $person->id);
        $given = [];
        foreach ($rows->orderBy('key')->get(['kind', 'key']) as $row) {
            $given[(string) $row->kind][] = (string) $row->key;
        }

        return $given;
    }
}
