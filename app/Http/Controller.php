<?php

declare(strict_types=1);

namespace App\Http;

use App\People\Models\User;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Auth\Access\AuthorizesRequests;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

abstract class Controller
{
    use AuthorizesRequests;

    protected function actor(Request $request): User
    {
        $user = $request->user();

        return $user instanceof User ? $user : throw new AuthenticationException;
    }

    /**
     * A list as `ListOf` describes it.
     *
     * @param  iterable<mixed>  $items
     */
    protected function listed(iterable $items, ?string $next = null, int $status = 200): JsonResponse
    {
        return new JsonResponse(['items' => array_values([...$items]), 'next' => $next], $status);
    }
}
