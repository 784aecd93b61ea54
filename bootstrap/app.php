<?php

declare(strict_types=1);

use App\Http\Middleware\ActivePerson;
use App\Http\Middleware\FromTheReplica;
use App\Http\Middleware\ReadableInput;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\SessionCookieWhenNew;
use App\Support\Conflict;
use App\Support\RowsRefused;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Auth\Access\AuthorizationException;
use Illuminate\Auth\AuthenticationException;
use Illuminate\Foundation\Application;
use Illuminate\Foundation\Configuration\Exceptions;
use Illuminate\Foundation\Configuration\Middleware;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Routing\Middleware\SubstituteBindings;
use Illuminate\Validation\ValidationException;
use Laravel\Sanctum\Http\Middleware\CheckForAnyAbility;
use Symfony\Component\HttpKernel\Exception\HttpExceptionInterface;

return Application::configure(basePath: dirname(__DIR__))
    ->withRouting(
        web: __DIR__.'/../routes/web.php',
        api: __DIR__.'/../routes/api.php',
        apiPrefix: 'api/v1',
    )
    ->withCommands([__DIR__.'/../app/Console'])
    ->withMiddleware(static function (Middleware $middleware): void {
        $middleware->statefulApi();
        $middleware->throttleApi('api');
        $middleware->prepend(ReadableInput::class);
        // Only who is named here may say for whom it speaks: the addresses of the proxies before this server, with
        // commas.
        $middleware->trustProxies(at: array_filter(explode(',', (string) env('TRUSTED_PROXIES', ''))));
        $middleware->append([SessionCookieWhenNew::class, SecurityHeaders::class]);
        $middleware->alias([
            'ability' => CheckForAnyAbility::class,
            'active' => ActivePerson::class,
            'replica' => FromTheReplica::class,
        ]);
        // What the address names is looked up there too, and what hangs on it.
        $middleware->prependToPriorityList(SubstituteBindings::class, FromTheReplica::class);
        $middleware->redirectGuestsTo(static fn (): string => '/');
    })
    ->withExceptions(static function (Exceptions $exceptions): void {
        $exceptions->shouldRenderJsonWhen(static fn (Request $request): bool => $request->is('api/*'));
        // One shape for every refusal: the field, and what is wrong with it.
        $refuse = static fn (
            string $field,
            string $message,
            int $status,
            array $more = [],
        ): JsonResponse => new JsonResponse(
            ['error' => ['field' => $field, 'message' => $message] + $more],
            $status,
        );
        $exceptions->render(static fn (InputError $e): JsonResponse => $refuse($e->field, $e->getMessage(), 422));
        $exceptions->render(
            static fn (RowsRefused $e): JsonResponse => $refuse(
                $e->field(),
                $e->getMessage(),
                422,
                ['rows' => $e->rows()],
            ),
        );
        $exceptions->render(
            static fn (ValidationException $e): JsonResponse => $refuse(
                (string) array_key_first($e->errors()),
                (string) array_values($e->errors())[0][0],
                $e->status,
            ),
        );
        $exceptions->render(
            static fn (AuthenticationException $e): JsonResponse => $refuse('session', 'sign in first', 401),
        );
        $exceptions->render(static fn (Conflict $e): JsonResponse => $refuse($e->field, $e->getMessage(), 409));
        $exceptions->render(static function (PDOException $e) use ($refuse): ?JsonResponse {
            return match (true) {
                // 53 full disk or no room, 57P shutting down, 08 connection, 7 none at all: nothing was stored.
                preg_match('/^(53|57P|08)/', (string) $e->getCode()) === 1,
                $e->getCode() === 7 => $refuse(
                    'database',
                    'the database cannot take this now; nothing was stored, it is kept on this screen and sent again',
                    503,
                ),
                // 55P03 a lock, 57014 a time limit, 40 two at once: the same may work in a moment.
                preg_match('/^(55P03|57014|40)/', (string) $e->getCode()) === 1 => $refuse(
                    'database',
                    'somebody else is at the same thing; nothing was stored, send it again',
                    503,
                ),
                // 22 a value that no column can hold, past what the rules of each field catch.
                str_starts_with((string) $e->getCode(), '22') => $refuse(
                    'request',
                    'holds a value that cannot be kept: a number too large or a text that is none',
                    422,
                ),
                default => null,
            };
        });
        $exceptions->render(static function (HttpExceptionInterface $e, Request $request) use ($refuse): ?JsonResponse {
            if (! $request->is('api/*')) {
                return null;
            }
            $says = match ($e->getStatusCode()) {
                403 => 'You may not do this.',
                404 => 'there is nothing here by that name',
                405 => 'this cannot be asked in that way',
                413 => 'is larger than may be sent',
                419 => 'the page has stood too long: load it again',
                429 => $e->getMessage() === 'Too Many Attempts.' ? 'too many tries: wait a minute' : $e->getMessage(),
                default => 'That did not work.',
            };

            return $refuse('', $says, $e->getStatusCode())->withHeaders($e->getHeaders());
        });
        $exceptions->dontReport([
            InputError::class, RowsRefused::class, Conflict::class, AuthorizationException::class,
        ]);
    })->create();
