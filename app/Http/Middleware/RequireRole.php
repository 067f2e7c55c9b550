<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Role;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets through whoever has one of the roles named: "role:planner,lead". */
final class RequireRole
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string ...$roles): Response
    {
        $user = $request->user();
        $wanted = array_map(Role::from(...), $roles);
        if (! ($user instanceof User) || ! $user->hasRole(...$wanted)) {
            abort(403, sprintf('This needs the role %s. Ask the lead.', implode(' or ', $roles)));
        }

        return $next($request);
    }
}
