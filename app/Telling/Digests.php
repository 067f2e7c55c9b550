<?php

declare(strict_types=1);

namespace App\Telling;

use App\Models\Notice;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Mail;

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
        $new = Notices::open($person)
            ->with('by')
            ->whereNull('mailed_at')
            ->whereIn('installation_id', $person->installations()->whereNull('archived_at')->select('installations.id'))
            ->orderBy('installation_id')
            ->orderBy('id')
            ->get();
        if ($new->isEmpty()) {
            return false;
        }
        $ids = $new->pluck('installation_id')->unique();
        $installations = StoredInstallation::query()->whereKey($ids)->get()->keyBy('id');
        // Before it goes: twice would be worse than late, and what is not read is in the rail.
        DB::table('notices')->whereIn('id', $new->pluck('id'))->update(['mailed_at' => now()]);
        Mail::to($person->sign_in, $person->name)->send(
            new Digest(
                $person,
                array_values(
                    $new
                        ->groupBy('installation_id')
                        ->map(static fn ($of, int $id): array => [
                            'installation' => $installations[$id] ?? throw new \OutOfBoundsException(),
                            'notices' => array_values(array_filter(
                                $of->all(),
                                static fn ($each): bool => $each instanceof Notice,
                            )),
                        ])
                        ->all(),
                ),
            ),
        );

        return true;
    }
}
