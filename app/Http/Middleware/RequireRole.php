<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Membership;
use App\Models\Role;
use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Lets through whoever has one of the roles named, in the crew of this installation: "role:planner,lead". */
final readonly class RequireRole
{
    public function __construct(private Container $container)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string ...$roles): Response
    {
        // Whoever opened the installation is of its crew, or did not get as far as here.
        if (! $this->container->make(Membership::class)->hasRole(...array_map(Role::from(...), $roles))) {
            abort(403, sprintf('This needs the role %s. Ask the lead.', implode(' or ', $roles)));
        }

        return $next($request);
    }
}
