<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use Closure;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Vite;
use Symfony\Component\HttpFoundation\Response;

/**
 * Scripts come from our own files only; the one style sheet that the component library makes at run time carries a
 * nonce. While the front end is being worked on, they come from the server of `dithermic dev` as well.
 */
final class SecurityHeaders
{
    public function handle(Request $request, Closure $next): Response
    {
        $nonce = Vite::useCspNonce();
        $response = $next($request);
        $response->headers->set('Content-Security-Policy', self::policy($nonce));
        $response->headers->set('X-Frame-Options', 'DENY');
        $response->headers->set('Permissions-Policy', 'camera=(), microphone=(), geolocation=(), serial=(self)');
        $response->headers->set('Cross-Origin-Opener-Policy', 'same-origin');

        return $response;
    }

    private static function policy(string $nonce): string
    {
        $dev = (string) config('app.dev_server');
        $from = trim("'self' {$dev}");

        return implode('; ', [
            "default-src 'none'",
            "script-src {$from}",
            // The server for development makes styles without a nonce.
            'style-src '.($dev === '' ? "'self' 'nonce-{$nonce}'" : "{$from} 'unsafe-inline'"),
            "img-src {$from} data: blob:",
            "font-src {$from}",
            "connect-src {$from}".($dev === '' ? '' : ' '.preg_replace('/^http/', 'ws', $dev)),
            "manifest-src 'self'",
            "worker-src 'self'",
            "form-action 'self'",
            "base-uri 'none'",
            "frame-ancestors 'none'",
        ]);
    }
}
