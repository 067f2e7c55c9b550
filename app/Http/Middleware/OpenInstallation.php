<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\Changes\Author;
use App\Changes\Intent;
use App\Http\Elsewhere;
use App\Models\Membership;
use App\Models\StoredInstallation;
use App\Models\User;
use App\Planning\Opened;
use Closure;
use Illuminate\Contracts\Container\Container;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Makes the installation that the address names available to the controllers, read once per request. */
final readonly class OpenInstallation
{
    public function __construct(private Container $container, private Opened $opened)
    {
    }

    /** @param  Closure(Request): Response  $next */
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();
        $address = $request->route('address');
        $open =
            $user instanceof User && is_string($address)
                ? $user->installations()->where('installations.address', strtolower($address))->first()
                : null;
        if (! ($user instanceof User) || $open === null) {
            abort(404, 'No installation of your crews is at this address. Ask its lead, or check what you typed.');
        }
        // Controllers are given what comes after it.
        $request->route()->forgetParameter('address');
        Elsewhere::check($request, $user, $open);
        $this->readOnly($request, $open);
        $this->opened->put($open);
        $this->container->singleton(Membership::class, static fn (): Membership => self::membership($open, $user));
        $this->container->instance(Author::class, new Author($user, Intent::of($request)));

        return $next($request);
    }

    private static function membership(StoredInstallation $open, User $user): Membership
    {
        $membership = $open->memberships()->where('user_id', $user->id)->firstOrFail();

        return $membership->setRelation('user', $user);
    }

    /** What is archived stays as it is; what writes nothing goes on, by the names of its routes. */
    private function readOnly(Request $request, StoredInstallation $open): void
    {
        if ($open->archived_at !== null && ! $request->isMethodSafe() && ! $request->routeIs('reads.*')) {
            abort(
                423,
                sprintf(
                    '%s is archived since %s: it is read, and nothing is written. Its lead brings it back.',
                    $open->name,
                    $open->archived_at->format('Y-m-d'),
                ),
            );
        }
    }
}
