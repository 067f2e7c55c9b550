<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Http\SomebodyElse;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Whoever is retired is signed in nowhere, even where they were before; and a
 * page writes for nobody but its own person.
 */
final class StillAtWork
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        if ($user instanceof User && $user->retired_at !== null) {
            Auth::logout();
            abort(401, 'This sign-in is retired. Ask whoever looks after the people of your organisation.');
        }
        if ($user instanceof User) {
            SomebodyElse::check($request, $user);
        }

        return $next($request);
    }
}
