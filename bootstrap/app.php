<?php

declare(strict_types=1);

use App\Http\Errors;
use App\Http\Middleware\Compressed;
use App\Http\Middleware\KeptAnswer;
use App\Http\Middleware\LogExport;
use App\Http\Middleware\NearRun;
use App\Http\Middleware\OpenInstallation;
use App\Http\Middleware\RequireOffice;
use App\Http\Middleware\RequireRole;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SteadySession;
use App\Http\Middleware\StillAtWork;
use App\Http\Middleware\Uncollected;
use App\Http\Middleware\Wellformed;
use App\Http\Middleware\WorkFromRelease;
use App\Http\TooMuch;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\Middleware\HandleCors;
use Illuminate\Session\Middleware\StartSession;

TooMuch::leaveRoom();

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(web: __DIR__.'/../routes/web.php', commands: __DIR__.'/../routes/console.php')
    ->withMiddleware(function (Middleware $middleware): void {
        // Same origin only: there is nothing for CORS headers to allow.
        $middleware->remove(HandleCors::class);
        $middleware->prepend(Wellformed::class);
        $middleware->prepend(Compressed::class);
        $middleware->append(SecurityHeaders::class);
        $middleware->append(Uncollected::class);
        $middleware->web(replace: [StartSession::class => SteadySession::class]);
        $middleware->alias([
            'role' => RequireRole::class,
            'installation' => OpenInstallation::class,
            'released' => WorkFromRelease::class,
            'near' => NearRun::class,
            'at-work' => StillAtWork::class,
            'office' => RequireOffice::class,
            'exports' => LogExport::class,
            'kept' => KeptAnswer::class,
        ]);
        $middleware->redirectGuestsTo('/sign-in');
    })
    ->withExceptions(function (Exceptions $exceptions): void {
        Errors::register($exceptions);
    })
    ->create();
