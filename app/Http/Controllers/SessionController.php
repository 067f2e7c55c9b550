<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\LastOpened;
use App\Models\StoredInstallation;
use App\Models\User;
use Illuminate\Container\Attributes\CurrentUser;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\RateLimiter;
use Illuminate\Validation\ValidationException;

final class SessionController
{
    private const ATTEMPTS = 5;

    public function show(Request $request): JsonResponse
    {
        $user = $request->user();
        if (! ($user instanceof User)) {
            return response()->json(['person' => null]);
        }
        $mine = $user
            ->installations()
            ->get(['installations.id', 'installations.key', 'installations.address', 'installations.name'])
            ->map(static fn (StoredInstallation $each): array => $each->reference());
        $at = strtolower($request->string('at')->toString());
        $last = LastOpened::by($user);

        return response()->json([
            'person' => [
                'name' => $user->name,
                'signIn' => $user->sign_in,
                'roles' => $user->roles,
                'skills' => $user->skills,
            ],
            'installations' => $mine->all(),
            // The one that is asked about; where none is, the one to go on with.
            'open' => $mine->firstWhere('address', $at === '' ? $last?->address : $at),
        ]);
    }

    public function signIn(Request $request): JsonResponse
    {
        $request->validate(
            ['signIn' => 'required|string|max:200', 'password' => 'required|string|max:200'],
            [
                'signIn.required' => 'Write your sign-in name.',
                'password.required' => 'Write your password.',
            ],
        );
        // Per account: one person's slips do not lock out a crew behind one address.
        $account = mb_strtolower(trim($request->string('signIn')->toString()));
        $key = 'sign-in:'.$account;
        if (RateLimiter::tooManyAttempts($key, self::ATTEMPTS)) {
            abort(
                429,
                sprintf('Too many attempts for this account. Try again in %d seconds.', RateLimiter::availableIn($key)),
            );
        }
        if (
            ! Auth::attempt([
                'sign_in' => $account,
                'password' => $request->string('password')->toString(),
                static fn ($query) => $query->whereNull('retired_at'),
            ])
        ) {
            RateLimiter::hit($key);
            throw ValidationException::withMessages([
                'signIn' => 'Sign-in name and password do not match. Check both.',
            ]);
        }
        RateLimiter::clear($key);
        $request->session()->regenerate();

        return $this->show($request);
    }

    public function signOut(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->json(['person' => null]);
    }

    /** Somebody works here now: the next time that they open the application, they begin here. */
    public function last(StoredInstallation $installation, #[CurrentUser] User $user): JsonResponse
    {
        LastOpened::put($user, $installation);

        return response()->json(['address' => $installation->address]);
    }

    /** Pages of the first version ask for this before they load themselves anew. */
    public function open(Request $request, #[CurrentUser] User $user, int $id): JsonResponse
    {
        $installation = $user->installations()->where('installations.id', $id)->first();
        if ($installation === null) {
            abort(404, 'There is no such installation, or you are not of its crew.');
        }
        LastOpened::put($user, $installation);

        return $this->show($request);
    }
}
