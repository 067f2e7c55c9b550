<?php

declare(strict_types=1);

namespace App\Http\Controllers\Who;

use App\Contract\Body;
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
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\ValidationException;
use Symfony\Component\HttpFoundation\Response;

/** Everybody's own account: name, password, and where they are signed in. */
final class AccountController
{
    public function name(#[Body(OwnName::class)] OwnName $sent, #[CurrentUser] User $user): JsonResponse
    {
        $name = $sent->name;
        if ($name !== $user->name) {
            Logbook::write(Entry::Account, sprintf('%s is called %s', $user->name, $name), $user);
            $user->update(['name' => $name]);
        }

        return response()->json(['name' => $user->name]);
    }

    public function password(
        Request $request,
        #[Body(OwnPassword::class)] OwnPassword $sent,
        #[CurrentUser] User $user,
    ): JsonResponse {
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
            throw ValidationException::withMessages(['current' => 'This is not the password that you have now.']);
        }
        Passwords::set($user, $sent->password);
        $attempts->came();
        $request->session()->regenerate();
        Passwords::endSessions($user, $request->session()->getId());
        Logbook::write(Entry::Account, 'changed the password', $user);

        return response()->json(['saved' => true]);
    }

    public function devices(Request $request, #[CurrentUser] User $user): JsonResponse
    {
        $rows = DB::table('sessions')
            ->where('user_id', $user->id)
            ->orderByDesc('last_activity')
            ->get(['id', 'ip_address', 'user_agent', 'last_activity']);

        return response()->json([
            'devices' => $rows
                ->map(
                    static fn (object $row): array => (new Device(
                        (string) $row->id,
                        (string) $row->ip_address,
                        (string) $row->user_agent,
                        (int) $row->last_activity,
                    ))->shape($request->session()->getId()),
                )
                ->all(),
        ]);
    }

    public function end(Request $request, #[CurrentUser] User $user, string $device): JsonResponse
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
