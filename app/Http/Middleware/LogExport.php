<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Who\Entry;
use App\Who\Logbook;
use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** What leaves the application as a file is written down: "exports:the schedule". */
final readonly class LogExport
{
    public function __construct(private Container $container)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next, string $what): Response
    {
        $response = $next($request);
        if ($response->isSuccessful()) {
            $names = implode(' ', array_filter($request->route()?->parameters() ?? [], is_string(...)));
            Logbook::write(
                Entry::Exported,
                trim($what.' '.$names),
                $this->container->make(Membership::class)->user,
                $this->container->make(StoredInstallation::class),
            );
        }

        return $response;
    }
}
