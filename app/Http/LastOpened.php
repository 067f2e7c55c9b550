<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Database\Query\Builder;
use Illuminate\Support\Facades\DB;

/**
 * Where somebody was: it brings them back when they open the application, and
 * nothing else follows from it.
 */
final class LastOpened
{
    /** What this person opened last anywhere, else their first. */
    public static function by(User $user): ?StoredInstallation
    {
        return ($user->opened_id === null
            ? null
            : $user->installations()->where('installations.id', $user->opened_id)->first()) ??
            $user->installations()->first();
    }

    public static function put(User $user, StoredInstallation $installation): void
    {
        if ($user->opened_id !== $installation->id) {
            DB::table('users')
                ->where('id', $user->id)
                ->update(['opened_id' => $installation->id]);
            $user->opened_id = $installation->id;
        }
    }

    /** @return list<int> installations that these people opened last */
    public static function of(Builder $people): array
    {
        $opened = DB::table('users')->whereIn('id', $people)->whereNotNull('opened_id')->orderBy('opened_id');

        return array_values(array_filter($opened->distinct()->pluck('opened_id')->all(), is_int(...)));
    }
}
