<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\StoredInstallation;
use App\Planning\Opened;
use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Where work is done the release counts, not what a planner has decided since. */
final readonly class WorkFromRelease
{
    public function __construct(private Container $container, private Opened $opened)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $open = $this->container->make(StoredInstallation::class);
        $this->opened->atWork($open);

        return $next($request);
    }
}
