<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Planning\Uncollected as Work;
use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What follows from an installation is worked out wherever an answer asks for it: without the cycle collector. */
final class Uncollected
{
    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        return Work::run(static fn (): Response => $next($request));
    }
}
