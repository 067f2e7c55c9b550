<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Models\StoredInstallation;
use App\Planning\Loaded;
use App\Planning\Near;
use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Sartal\Core\Given\Installation\JoiningPlace;
use Sartal\Core\Plan\Near\TieName;
use Symfony\Component\HttpFoundation\Response;

/** For what concerns the run that the address names and nobody else, what it has to do with is read, and no more. */
final readonly class NearRun
{
    private const BESIDE = 'beside';

    public function __construct(private Container $container, private Near $near)
    {
    }

    /**
     * @param  Closure(Request): Response  $next
     * @param  string  $to  field of what is sent that names a place of another run; "beside": what lies with it counts
     */
    public function handle(Request $request, Closure $next, string $to = ''): Response
    {
        $open = $this->container->make(StoredInstallation::class);
        $run = $request->route('id');
        $run = is_string($run) ? $run : '';
        $place = $to === '' || $to === self::BESIDE ? null : $request->input($to);
        $fitting = is_string($place) ? JoiningPlace::from($place)->fitting : '';
        $ties = $fitting === '' ? [] : [TieName::fitting($fitting)];
        $this->container->singleton(
            Loaded::class,
            fn (): Loaded => $this->near->runs(
                $open,
                $to === self::BESIDE ? $this->near->beside($open, [$run]) : [$run],
                $ties,
            ),
        );

        return $next($request);
    }
}
