<?php

declare(strict_types=1);

namespace App\Http;

use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Str;

/**
 * Which installation a person has open in one browser. It is kept beside the session and not in it: a session is
 * written whole at the end of every request, so one that was under way would bring back what was open before.
 */
final class OpenOnDesk
{
    /** In the session, and never altered there: under which name this browser's choice is kept. */
    private const DESK = 'desk';

    /** In the session of a version before. */
    private const BEFORE = 'installation';

    /** After which a browser that was never heard of again is forgotten. */
    private const KEPT_DAYS = 60;

    /** What is open here, else what this person opened last anywhere, else their first. */
    public static function of(User $user, Request $request): ?StoredInstallation
    {
        $mine = static fn (mixed $id): ?StoredInstallation => is_int($id)
            ? $user->installations()->where('installations.id', $id)->first()
            : null;
        $desk = $request->session()->get(self::DESK);
        $here = is_string($desk)
            ? DB::table('desks')->where('desk', $desk)->where('user_id', $user->id)->value('installation_id')
            : $request->session()->get(self::BEFORE);

        return $mine($here) ?? ($mine($user->opened_id) ?? $user->installations()->first());
    }

    public static function put(User $user, Request $request, StoredInstallation $installation): void
    {
        $desk = $request->session()->get(self::DESK);
        if (! is_string($desk)) {
            $desk = (string) Str::ulid();
            $request->session()->put(self::DESK, $desk);
        }
        $row = ['user_id' => $user->id, 'installation_id' => $installation->id, 'at' => now()];
        DB::table('desks')->upsert(['desk' => $desk] + $row, ['desk'], array_keys($row));
        DB::table('users')
            ->where('id', $user->id)
            ->update(['opened_id' => $installation->id]);
        $user->opened_id = $installation->id;
    }

    /** Somebody has just signed in here: what they opened last, wherever that was. */
    public static function begin(User $user, Request $request): void
    {
        $request->session()->forget([self::DESK, self::BEFORE]);
        DB::table('desks')->where('at', '<', now()->subDays(self::KEPT_DAYS))->delete();
        $last = self::of($user, $request);
        if ($last !== null) {
            self::put($user, $request, $last);
        }
    }

    public static function leave(Request $request): void
    {
        $desk = $request->session()->get(self::DESK);
        if (is_string($desk)) {
            DB::table('desks')->where('desk', $desk)->delete();
        }
    }
}
