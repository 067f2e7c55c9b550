<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Plan\Planning\Strand;

/**
 * On which runs each person recorded each stage, whether that stands or was done again since.
 *
 * @phpstan-type Hands array{id: string, name: string, runs: int, stages: array<int|string, int>}
 */
final class ByHands
{
    /** @return list<Hands> runs that a person recorded anything of, and those of each stage, each once */
    public static function counts(StoredInstallation $stored): array
    {
        $rows = DB::query()
            ->fromSub(self::all($stored), 'hands')
            ->join('users', 'users.id', '=', 'hands.user_id')
            ->whereNotNull('stage')
            ->groupByRaw('grouping sets ((users.key, users.name, stage), (users.key, users.name))')
            ->orderBy('users.name')
            ->orderBy('users.key')
            ->selectRaw('users.key, users.name, stage, count(distinct run) as count')
            ->get();
        $hands = [];
        foreach ($rows as $row) {
            $key = (string) $row->key;
            $hands[$key] ??= ['id' => $key, 'name' => (string) $row->name, 'runs' => 0, 'stages' => []];
            if ($row->stage === null) {
                $hands[$key]['runs'] = (int) $row->count;
            } else {
                $hands[$key]['stages'][(string) $row->stage] = (int) $row->count;
            }
        }

        return array_values($hands);
    }

    /** @return list<string> runs on which somebody recorded a stage */
    public static function runs(StoredInstallation $stored, string $person, Stage $stage): array
    {
        return array_values(array_filter(DB::query()
            ->fromSub(self::all($stored), 'hands')
            ->join('users', 'users.id', '=', 'hands.user_id')
            ->where('users.key', $person)
            ->where('stage', $stage->value)
            ->distinct()
            ->pluck('run')
            ->all(), is_string(...)));
    }

    /** Person, run and stage of everything that was recorded as a whole. */
    private static function all(StoredInstallation $stored): Builder
    {
        [$kinds, $cases] = [[], ''];
        foreach (Stage::cases() as $stage) {
            [$by, $side] = Strand::evidence($stage);
            foreach ($by as $kind) {
                $kinds[$kind->value] = true;
                $at = $side === null ? '' : sprintf(" and definition->>'side' = '%s'", $side->value);
                $cases .= sprintf(" when kind = '%s'%s then '%s'", $kind->value, $at, $stage->value);
            }
        }

        return $stored->events()->toBase()->reorder()
            ->where('step', '')
            ->whereIn('kind', array_keys($kinds))
            ->selectRaw('user_id, run, case'.$cases.' end as stage');
    }
}
