<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Contracts\Session\Session;
use Illuminate\Http\Request;
use Illuminate\Session\Middleware\StartSession;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response;

/**
 * Which session a browser is in follows from what it asked for that, never from an answer that was on its way while
 * somebody signed in or out: what a page, its worker or another tab asked for before would otherwise bring the session
 * of before back with it.
 */
final class SteadySession extends StartSession
{
    private const TOLD = 'cookie_told_at';

    /** s until somebody at work is given the same cookie again, which would run out on a page that stays open. */
    private const AGAIN = 3600;

    /**
     * @param  Session  $session
     */
    #[\Override]
    protected function handleStatefulRequest(Request $request, $session, Closure $next): Response
    {
        $request->setLaravelSession($this->startSession($request, $session));
        $this->collectGarbage($session);
        $asked = $session->getId();
        /** @var Response $response */
        $response = $next($request);
        if ($this->tells($request, $session, $response, $asked)) {
            $session->put(self::TOLD, now()->getTimestamp());
            $this->addCookieToResponse($response, $session);
        } else {
            $response->headers->removeCookie('XSRF-TOKEN', config()->string('session.path'));
        }
        $this->saveSession($request);

        return $response;
    }

    private function tells(Request $request, Session $session, Response $response, string $asked): bool
    {
        if ($request->is('api/session')) {
            return true;
        }
        if ($response->getStatusCode() >= Response::HTTP_BAD_REQUEST || ! Auth::check()) {
            return false;
        }
        $told = $session->get(self::TOLD);

        // Came by a link, or has another password.
        return $session->getId() !== $asked || ! is_int($told) || $told < now()->getTimestamp() - self::AGAIN;
    }
}
