<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\StoredInstallation;
use Illuminate\Database\Query\Builder;
use Illuminate\Database\Query\JoinClause;
use Illuminate\Support\Facades\DB;
use Sartal\Core\Later\Telling\NoticeKind;

/** Tells people what concerns them: once, where they are at work, and never what they did themselves. */
final class Teller
{
    /** Letters of words and of a page. */
    private const MOST = 300;

    /** @param  list<string>  $people  keys */
    public function tell(StoredInstallation $stored, Matter $matter, array $people): void
    {
        if ($people === []) {
            return;
        }
        $ids = DB::table('users')
            ->join('memberships', static function (JoinClause $join) use ($stored): void {
                $join->on('memberships.user_id', '=', 'users.id');
                $join->where('memberships.installation_id', $stored->id);
            })
            ->whereIn('users.key', $people)
            ->whereNull('retired_at')
            ->whereNull('ended_at')
            ->where('users.id', '<>', $matter->by->id ?? 0)
            ->orderBy('users.id')
            ->pluck('users.id')
            ->all();
        $told = DB::table('notices')->insertOrIgnore(
            array_map(
                static fn (mixed $id): array => [
                    'installation_id' => $stored->id,
                    'user_id' => $id,
                    'by_id' => $matter->by?->id,
                    'kind' => $matter->kind->value,
                    'cause' => $matter->cause,
                    'words' => mb_substr($matter->words, 0, self::MOST),
                    'note' => $matter->note,
                    'page' => $matter->page,
                    'about' => json_encode((object) $matter->about, JSON_THROW_ON_ERROR),
                    'created_at' => now(),
                ],
                $ids,
            ),
        );
        if ($told > 0) {
            self::ring($stored);
        }
    }

    /**
     * What was told and is not so any more.
     *
     * @param  list<string>  $causes
     */
    public function over(StoredInstallation $stored, NoticeKind $kind, array $causes): void
    {
        if ($causes === []) {
            return;
        }
        $open = DB::table('notices')->where('installation_id', $stored->id)->where('kind', $kind->value);
        if ($open->whereIn('cause', $causes)->whereNull('over_at')->update(['over_at' => now()]) > 0) {
            self::ring($stored);
        }
    }

    /** @return Builder of what nobody has said is over */
    public static function open(StoredInstallation $stored, NoticeKind $kind): Builder
    {
        return DB::table('notices')
            ->where('installation_id', $stored->id)
            ->where('kind', $kind->value)
            ->whereNull('over_at');
    }

    /** Pages look again at what they were told. */
    private static function ring(StoredInstallation $stored): void
    {
        DB::table('installations')->where('id', $stored->id)->increment('noticed');
    }
}
