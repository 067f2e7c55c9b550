<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\Notice;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Support\Facades\DB;

/** What one person was told, in one installation or in all of theirs. */
final readonly class Notices
{
    /** Of a list. */
    public const MOST = 60;

    /** Days that they are kept. */
    private const KEPT = 90;

    public function __construct(private OfChange $changes, private OfInstruments $instruments)
    {
    }

    /** Where somebody asks: as far as it takes no time. A worker looks at the rest. */
    public function look(StoredInstallation $stored): void
    {
        if ($stored->archived_at === null) {
            $this->changes->lookWhereKept($stored);
            $this->instruments->bringUpToDate($stored);
        }
    }

    /** What follows from decisions and from the calendar. */
    public function bringUpToDate(StoredInstallation $stored): void
    {
        if ($stored->archived_at === null) {
            $this->changes->bringUpToDate($stored);
            $this->instruments->bringUpToDate($stored);
        }
    }

    public static function forget(): void
    {
        DB::table('notices')->where('created_at', '<', now()->subDays(self::KEPT))->delete();
    }

    /** @return list<Notice> the last ones first, one more than are shown where there are more */
    public function of(StoredInstallation $stored, User $person, int $before): array
    {
        $rows = self::heard($person)->with('by');
        $rows->where('installation_id', $stored->id);
        if ($before > 0) {
            $rows->where('id', '<', $before);
        }

        $rows->orderByDesc('id')->limit(self::MOST + 1);

        return array_values($rows->get()->all());
    }

    public static function unread(StoredInstallation $stored, User $person): int
    {
        return self::open($person)->where('installation_id', $stored->id)->count();
    }

    /** @return array<int, int> installation → how many are unread there */
    public static function elsewhere(StoredInstallation $stored, User $person): array
    {
        $rows = self::open($person)->toBase()->where('installation_id', '<>', $stored->id);
        $rows->groupBy('installation_id')->selectRaw('installation_id, count(*) as many');
        $many = [];
        foreach ($rows->get() as $row) {
            $many[(int) $row->installation_id] = (int) $row->many;
        }

        return $many;
    }

    /**
     * What was shown, and so is known.
     *
     * @param  list<int>  $ids
     * @param  int  $upTo  and all up to this one
     */
    public static function read(StoredInstallation $stored, User $person, array $ids, int $upTo): void
    {
        $rows = self::heard($person)->toBase()->where('installation_id', $stored->id)->whereNull('read_at');
        $rows->where(static fn ($of) => $of->whereIn('id', $ids)->orWhere('id', '<=', $upTo));
        $rows->update(['read_at' => now()]);
    }

    /** @return Builder<Notice> what nobody has read or is over, of what this person wants to hear */
    public static function open(User $person): Builder
    {
        $rows = self::heard($person);
        $rows->whereNull('read_at')->whereNull('over_at');

        return $rows;
    }

    /** @return Builder<Notice> */
    private static function heard(User $person): Builder
    {
        $rows = Notice::query()->where('user_id', $person->id);
        $rows->whereNotIn('kind', $person->muted);

        return $rows;
    }
}
