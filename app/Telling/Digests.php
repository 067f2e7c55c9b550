<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\Notice;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Log;
use Illuminate\Support\Facades\Mail;
use Symfony\Component\Mailer\Exception\TransportExceptionInterface;

/** What people have not read comes to them by mail, each notice once, where this host has a way to send any. */
final readonly class Digests
{
    /** Mailers that send nothing to anybody. */
    private const NONE = ['log', 'array', ''];

    public function __construct(private Notices $notices)
    {
    }

    public static function arePossible(): bool
    {
        $mailer = config('mail.default');

        return is_string($mailer) && ! in_array($mailer, self::NONE, true);
    }

    /** @return int how many people were written to */
    public function send(): int
    {
        Notices::forget();
        foreach (StoredInstallation::query()->lazyById() as $stored) {
            // Of one that is archived nobody is told anything.
            $this->notices->bringUpToDate($stored);
        }
        $sent = 0;
        $people = User::query()->where('digest', true);
        $people->whereNull('retired_at')->whereNotNull('sign_in');
        foreach ($people->lazyById() as $person) {
            $sent += $this->sendTo($person) ? 1 : 0;
        }

        return $sent;
    }

    private function sendTo(User $person): bool
    {
        if (filter_var($person->sign_in, FILTER_VALIDATE_EMAIL) === false) {
            return false;
        }
        $rows = Notices::open($person)->with('by');
        $rows
            ->whereNull('mailed_at')
            ->whereIn('installation_id', $person->installations()->whereNull('archived_at')->select('installations.id'))
            ->orderBy('installation_id')
            ->orderBy('id');
        $new = $rows->get();
        if ($new->isEmpty()) {
            return false;
        }
        $ids = $new->pluck('installation_id')->unique();
        $installations = StoredInstallation::query()->whereKey($ids)->get()->keyBy('id');
        // Before it goes: twice would be worse than late, and what is not read is in the rail.
        DB::table('notices')->whereIn('id', $new->pluck('id'))->update(['mailed_at' => now()]);
        try {
            Mail::to($person->sign_in, $person->name)->send(new Digest($person, self::by($new, $installations)));
        } catch (TransportExceptionInterface $failed) {
            // It goes with the next one; whoever comes after is written to all the same.
            Log::error($failed);
            DB::table('notices')->whereIn('id', $new->pluck('id'))->update(['mailed_at' => null]);

            return false;
        }

        return true;
    }

    /**
     * @param  Collection<int, Notice>  $notices
     * @param  Collection<int|string, StoredInstallation>  $installations  by id
     * @return list<array{installation: StoredInstallation, notices: list<Notice>}>
     */
    private static function by(Collection $notices, Collection $installations): array
    {
        $by = [];
        foreach ($notices as $notice) {
            $by[$notice->installation_id][] = $notice;
        }
        $of = [];
        foreach ($by as $id => $some) {
            $installation = $installations->get($id);
            array_push($of, ...$installation === null ? [] : [['installation' => $installation, 'notices' => $some]]);
        }

        return $of;
    }
}
