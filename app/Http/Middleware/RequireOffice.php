<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Office;
use App\Models\User;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets through whoever holds one of the offices named in their organisation: "office:people". */
final class RequireOffice
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string ...$offices): Response
    {
        $user = $request->user();
        foreach ($offices as $office) {
            if ($user instanceof User && $user->holds(Office::from($office))) {
                return $next($request);
            }
        }
        abort(403, sprintf('This is for those who look after the %s of your organisation.', implode(' or ', $offices)));
    }
}
