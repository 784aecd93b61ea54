<?php

declare(strict_types=1);

use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SessionCookieWhenNew;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Database\QueryException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\ValidationException;
use Laravel\Sanctum\Http\Middleware\CheckForAnyAbility;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        health: '/up',
        apiPrefix: 'api/v1',
    )
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->statefulApi();
        $middleware->throttleApi('api');
        $middleware->append([SessionCookieWhenNew::class, SecurityHeaders::class]);
        $middleware->alias(['ability' => CheckForAnyAbility::class]);
        $middleware->redirectGuestsTo(static fn (): string => '/');
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*'));
        // One shape for every refusal: the field, and what is wrong with it.
        $refuse = static fn (string $field, string $message, int $status, array $more = []): JsonResponse => new JsonResponse(['error' => ['field' => $field, 'message' => $message] + $more], $status);
        $exceptions->render(static fn (InputError $e): JsonResponse => $refuse($e->field, $e->getMessage(), 422));
        $exceptions->render(static fn (ValidationException $e): JsonResponse => $refuse((string) array_key_first($e->errors()), (string) array_values($e->errors())[0][0], $e->status));
        $exceptions->render(static fn (AuthenticationException $e): JsonResponse => $refuse('session', 'sign in first', 401));
        $exceptions->render(static function (QueryException $e) use ($refuse): ?JsonResponse {
            // 53100 disk full, 57P* shutting down, 08* connection: nothing was stored, the sender keeps its entry and tries again.
            return preg_match('/^(53|57P|08)/', (string) $e->getCode()) === 1 || $e->getCode() === 7
                ? $refuse('database', 'the database cannot take this now; nothing was stored, it is kept on this screen and sent again', 503) : null;
        });
        $exceptions->dontReport([InputError::class, AuthorizationException::class]);
    })->create();
