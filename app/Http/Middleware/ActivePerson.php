<?php

declare(strict_types=1);

namespace App\Http\Middleware;

use App\People\Models\User;
use Closure;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Http\Request;
use Symfony\Component\HttpFoundation\Response;

/** Somebody who was switched off is nobody, at a screen and with a token alike. */
final class ActivePerson
{
    public function handle(Request $request, Closure $next): Response
    {
        $user = $request->user();

        return $user instanceof User && $user->active ? $next($request) : throw new AuthenticationException;
    }
}
