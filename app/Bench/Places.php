<?php

declare(strict_types=1);

namespace App\Bench;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Facades\DB;

/** Who is where at the moment. */
final class Places
{
    /** s after which somebody who said nothing more is taken to have gone. */
    private const GONE = 20;

    public function stand(StoredInstallation $stored, User $who, string $assembly, string $step): void
    {
        DB::table('bench_places')->upsert(
            [
                'installation_id' => $stored->id,
                'user_id' => $who->id,
                'assembly' => $assembly,
                'step' => mb_substr($step, 0, 500),
                'at' => now()->format('Y-m-d H:i:s.vP'),
            ],
            ['installation_id', 'user_id'],
            ['assembly', 'step', 'at'],
        );
    }

    /** @return list<array{assembly: string, step: string, name: string, person: string}> */
    public function others(StoredInstallation $stored, ?User $than = null): array
    {
        $places = [];
        $rows = DB::table('bench_places')
            ->join('users', 'users.id', '=', 'user_id')
            ->where('installation_id', $stored->id)
            ->where('user_id', '<>', $than->id ?? 0)
            ->where('at', '>', now()->subSeconds(self::GONE)->format('Y-m-d H:i:s.vP'))
            ->orderBy('name')
            ->get(['assembly', 'step', 'name', 'users.key']);
        foreach ($rows as $row) {
            $places[] = [
                'assembly' => (string) $row->assembly,
                'step' => (string) $row->step,
                'name' => (string) $row->name,
                'person' => (string) $row->key,
            ];
        }

        return $places;
    }
}
