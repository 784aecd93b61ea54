<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/**
 * Sends the session's cookies only when they say something new, or when the session itself was asked for.
 *
 * The framework repeats them in every answer. An answer that was under way while somebody signed in or switched would
 * then arrive last and put the session before back: signed out again, or still the person who has just left the screen.
 */
final class SessionCookieWhenNew
{
    public function handle(Request $request, Closure $next): Response
    {
        $response = $next($request);
        if ($request->is('api/v1/session', 'sanctum/*') || ! $request->hasSession()) {
            return $response;
        }
        $session = $request->session();
        if ($request->cookies->get($session->getName()) === $session->getId()) {
            foreach ([$session->getName(), 'XSRF-TOKEN'] as $name) {
                $response->headers->removeCookie($name, config('session.path'), config('session.domain'));
            }
        }

        return $response;
    }
}
