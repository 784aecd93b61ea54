<?php

declare(strict_types=1);

namespace App\People\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\People\Data\KeyData;
use App\People\Data\ScreenData;
use App\People\Http\Requests\MakeTokenRequest;
use App\People\Models\Device;
use App\People\Models\User;
use App\Shop\Models\Machine;
use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Laravel\Sanctum\PersonalAccessToken;
use OpenApi\Attributes as OA;

/** What opens the shop besides a password: tokens of instruments and scripts, and the screens where a PIN is enough. */
final class AccessController extends Controller
{
    public const LONGEST_DAYS = 400;

    #[OA\Get(
        path: '/tokens',
        operationId: 'getTokens',
        summary: 'Every token, without its secret',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'KeyData')],
    )]
    public function tokens(): JsonResponse
    {
        $this->authorize('manage', User::class);
        $machines = Machine::query()->pluck('name', 'id');

        return $this->listed(PersonalAccessToken::query()->with('tokenable')
            ->latest('id')
            ->get()
            ->map(static function (PersonalAccessToken $t) use ($machines): KeyData {
                $machine = collect($t->abilities)->first(
                    static fn (string $a): bool => str_starts_with($a, 'machine:'),
                );
                $by = $t->tokenable;

                return new KeyData(
                    (int) $t->getKey(),
                    $t->name,
                    array_values(array_filter(
                        $t->abilities ?? [],
                        static fn (string $a): bool => ! str_starts_with($a, 'machine:'),
                    )),
                    $machine === null ? null : $machines[(int) substr($machine, 8)] ?? null,
                    $by instanceof User ? $by->name : '',
                    $t->last_used_at === null ? null : Seconds::of(CarbonImmutable::instance($t->last_used_at)),
                    $t->expires_at === null ? null : Seconds::of(CarbonImmutable::instance($t->expires_at)),
                );
            }));
    }

    /** Shown once, stored as a hash. It can do what it says and nothing else, and it ends. */
    #[OA\Post(
        path: '/tokens',
        operationId: 'makeToken',
        summary: 'Make a token for an instrument or a script',
        tags: ['shop'],
        responses: [new OA\Response(
            response: 201,
            description: 'made',
            content: new OA\JsonContent(
                required: ['token'],
                properties: [new OA\Property(property: 'token', type: 'string')],
            ),
        )],
    )]
    public function makeToken(MakeTokenRequest $request): JsonResponse
    {
        $given = $request->validated();
        $reads = array_intersect(['readings', 'signals'], $given['scopes']) !== [];
        if ($reads !== isset($given['machine_id'])) {
            throw new InputError(
                'machine_id',
                $reads
                    ? 'is required: an instrument speaks for one machine'
                    : 'goes with the scopes readings and signals only',
            );
        }
        $by = $this->actor($request);
        $days = (int) ($given['days'] ?? User::TOKEN_DAYS);
        $made = $reads
            ? $by->instrumentToken($given['name'], $given['scopes'], (int) $given['machine_id'], $days)
            : $by->createToken($given['name'], $given['scopes'], CarbonImmutable::now()->addDays($days));

        return new JsonResponse(['token' => $made->plainTextToken], 201);
    }

    #[OA\Delete(
        path: '/tokens/{token}',
        operationId: 'revokeToken',
        summary: 'Revoke a token',
        tags: ['shop'],
        responses: [new Answer(204, 'revoked')],
    )]
    public function revokeToken(PersonalAccessToken $token): JsonResponse
    {
        $this->authorize('manage', User::class);
        $token->delete();

        return new JsonResponse(null, 204);
    }

    #[OA\Get(
        path: '/screens',
        operationId: 'getScreens',
        summary: 'Screens on which a PIN is enough, and whose',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'ScreenData')],
    )]
    public function screens(): JsonResponse
    {
        $this->authorize('manage', User::class);

        return $this->listed(Device::query()->with('people')->has('people')->latest('seen_at')->limit(200)->get()
            ->map(
                static fn (Device $d): ScreenData => new ScreenData(
                    $d->id,
                    array_values($d->people->pluck('name')->sort()->all()),
                    Seconds::of($d->seen_at),
                ),
            ));
    }

    #[OA\Delete(
        path: '/screens/{screen}',
        operationId: 'forgetScreen',
        summary: 'Forget a screen: there the password is needed again',
        tags: ['shop'],
        responses: [new Answer(204, 'forgotten')],
    )]
    public function forgetScreen(Device $screen): JsonResponse
    {
        $this->authorize('manage', User::class);
        $screen->people()->detach();

        return new JsonResponse(null, 204);
    }
}
