<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\OpenOnDesk;
use App\Models\StoredInstallation;
use App\Models\User;
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
        $open = OpenOnDesk::of($user, $request);

        return response()->json([
            'person' => [
                'name' => $user->name,
                'signIn' => $user->sign_in,
                'roles' => $user->roles,
                'skills' => $user->skills,
            ],
            'installations' => $user
                ->installations()
                ->get(['installations.id', 'installations.key', 'installations.name'])
                ->map(
                    static fn (StoredInstallation $each): array => [
                        'id' => $each->id,
                        'key' => $each->key,
                        'name' => $each->name,
                    ],
                )
                ->all(),
            'open' => $open === null ? null : ['id' => $open->id, 'key' => $open->key, 'name' => $open->name],
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
        $user = $request->user();
        assert($user instanceof User);
        OpenOnDesk::begin($user, $request);

        return $this->show($request);
    }

    public function signOut(Request $request): JsonResponse
    {
        OpenOnDesk::leave($request);
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return response()->json(['person' => null]);
    }

    public function open(Request $request, int $id): JsonResponse
    {
        /** @var User $user */
        $user = $request->user();
        $installation = $user->installations()->where('installations.id', $id)->first();
        if ($installation === null) {
            abort(404, 'There is no such installation, or you are not of its crew.');
        }
        OpenOnDesk::put($user, $request, $installation);

        return $this->show($request);
    }
}
