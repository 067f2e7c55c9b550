<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Sartal\Core\File\PlanEncoder;
use Sartal\Core\Given\Installation\Build;
use Sartal\Core\Work\Bench\Skill;

/**
 * What the lead gave to whom: looms, jobs, and whatever takes a skill.
 *
 * @phpstan-import-type BeadShown from PlanEncoder
 * @phpstan-import-type QueueLine from Queue
 *
 * @phpstan-type JobLine array{
 *     mine: bool,
 *     id: string,
 *     codes: list<string>,
 *     cable: string,
 *     from: string,
 *     to: string,
 *     loom: string,
 *     loomId: string,
 *     build: value-of<Build>,
 *     settled: int,
 *     count: int,
 *     minutes: float,
 *     done: bool,
 *     next: string,
 *     where: string,
 *     begun: bool,
 *     hold: string|null,
 *     questions: int,
 *     skills: list<value-of<Skill>>,
 *     alike: string,
 *     strand: list<BeadShown>,
 * }
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

    /** @return array{looms: list<string>, assemblies: list<string>} ids of what one person was given */
    public function to(StoredInstallation $stored, User $person): array
    {
        $rows = DB::table('assignments')
            ->where('installation_id', $stored->id)
            ->where('user_id', $person->id)
            ->orderBy('key')
            ->get(['kind', 'key']);
        $of = static fn (string $kind): array => array_values(
            $rows->where('kind', $kind)->map(static fn (object $row): string => (string) $row->key)->all(),
        );

        return ['looms' => $of('loom'), 'assemblies' => $of('assembly')];
    }

    /**
     * @param  list<QueueLine>  $lines  of the queue
     * @param  array<int|string, string>  $assemblyOf  by run, as they are today
     * @return list<JobLine> each with whether it was given to this person
     */
    public function marked(StoredInstallation $stored, User $person, array $lines, array $assemblyOf): array
    {
        $given = $this->all($stored, $assemblyOf);
        $has = static fn (string $kind, string $key): bool => in_array($person->key, $given[$kind][$key] ?? [], true);

        return array_map(static function (array $line) use ($has): array {
            $mine =
                $has('assembly', $line['id']) ||
                $has('loom', $line['loomId']) ||
                array_filter($line['skills'], static fn (string $skill): bool => $has('skill', $skill)) !== [];

            return ['mine' => $mine] + $line;
        }, $lines);
    }
}
