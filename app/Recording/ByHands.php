<?php

declare(strict_types=1);

namespace App\Recording;

use App\Models\StoredInstallation;
use Sartal\Core\Given\Installation\Side;
use Sartal\Core\Plan\Planning\Stage;
use Sartal\Core\Plan\Planning\Strand;

/** On how many runs each person recorded each stage, whether that stands or was done again since. */
final class ByHands
{
    /** @return array<int, array<string, int>> row of a person → stage → runs */
    public static function of(StoredInstallation $stored): array
    {
        $stages = $kinds = [];
        foreach (Stage::cases() as $stage) {
            [$by, $side] = Strand::evidence($stage);
            foreach ($by as $kind) {
                $kinds[$kind->value] = true;
                $stages[self::key($kind->value, $side)] = $stage->value;
            }
        }
        $rows = $stored->events()->toBase()->reorder()
            ->where('step', '')
            ->whereIn('kind', array_keys($kinds))
            ->groupByRaw("user_id, kind, definition->>'side'")
            ->selectRaw("user_id, kind, definition->>'side' as side, count(distinct run) as count")
            ->get();
        $hands = [];
        foreach ($rows as $row) {
            $side = Side::tryFrom((string) $row->side);
            $kind = (string) $row->kind;
            $stage = $stages[self::key($kind, $side)] ?? $stages[self::key($kind, null)] ?? '';
            if ($stage !== '') {
                $hands[(int) $row->user_id][$stage] = ($hands[(int) $row->user_id][$stage] ?? 0) + (int) $row->count;
            }
        }

        return $hands;
    }

    private static function key(string $kind, ?Side $side): string
    {
        return $kind.' '.($side->value ?? '');
    }
}
