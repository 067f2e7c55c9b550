<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Contract\Answer;
use App\Contract\Body;
use App\Contract\Refusal;
use App\Http\Requests\Who\OwnName;
use App\Http\Requests\Who\OwnPassword;
use App\Models\User;
use App\Who\Attempts;
use App\Who\Device;
use App\Who\Entry;
use App\Who\KnownDevice;
use App\Who\Logbook;
use App\Who\Passwords;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Symfony\Component\HttpFoundation\Response;

/**
 * Everybody's own account: name, password, and where they are signed in.
 *
 * @phpstan-type DevicesPage array{devices: list<array{
 *     id: string,
 *     kind: string,
 *     address: string,
 *     seen: string,
 *     here: bool,
 * }>}
 */
final class AccountController
{
    /** @return Answer<array{name: string}> */
    public function name(#[Body(OwnName::class)] OwnName $sent, #[CurrentUser] User $user): Answer
    {
        $name = $sent->name;
        if ($name !== $user->name) {
            Logbook::write(Entry::Account, sprintf('%s is called %s', $user->name, $name), $user);
            $user->update(['name' => $name]);
        }

        return new Answer(['name' => $user->name]);
    }

    /** @return Answer<array{saved: true}> */
    public function password(
        Request $request,
        #[Body(OwnPassword::class)] OwnPassword $sent,
        #[CurrentUser] User $user,
    ): Answer {
        $attempts = new Attempts((string) $user->sign_in, (string) $request->ip(), KnownDevice::of($request, $user));
        $wait = $attempts->wait();
        if ($wait !== null) {
            abort(
                Response::HTTP_TOO_MANY_REQUESTS,
                sprintf('Too many attempts from here. Try again in %d seconds.', $wait),
            );
        }
        if (! Passwords::isOf($user, $sent->current)) {
            $attempts->failed();
            throw Refusal::of('current', 'This is not the password that you have now.');
        }
        Passwords::set($user, $sent->password);
        $attempts->came();
        $request->session()->regenerate();
        Passwords::endSessions($user, $request->session()->getId());
        Logbook::write(Entry::Account, 'changed the password', $user);

        return new Answer(['saved' => true]);
    }

    /**
     * @return Answer<DevicesPage>
     */
    public function devices(Request $request, #[CurrentUser] User $user): Answer
    {
        $rows = DB::table('sessions')
            ->where('user_id', $user->id)
            ->orderByDesc('last_activity')
            ->get(['id', 'ip_address', 'user_agent', 'last_activity']);

        return new Answer([
            'devices' => array_values(
                $rows
                    ->map(
                        static fn (object $row): array => (new Device(
                            (string) $row->id,
                            (string) $row->ip_address,
                            (string) $row->user_agent,
                            (int) $row->last_activity,
                        ))->shape($request->session()->getId()),
                    )
                    ->all(),
            ),
        ]);
    }

    /**
     * @return Answer<DevicesPage>
     */
    public function end(Request $request, #[CurrentUser] User $user, string $device): Answer
    {
        foreach (DB::table('sessions')->where('user_id', $user->id)->pluck('id') as $id) {
            if (Device::mark((string) $id) === $device) {
                DB::table('sessions')->where('id', $id)->where('user_id', $user->id)->delete();
                Logbook::write(Entry::Account, 'signed out on another device', $user);
            }
        }

        return $this->devices($request, $user);
    }
}
