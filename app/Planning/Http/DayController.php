<?php

declare(strict_types=1);

namespace App\Planning\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\People\Models\User;
use App\Planning\Actions\SayOfDay;
use App\Planning\Http\Requests\GetDayRequest;
use App\Planning\Http\Requests\SayHereRequest;
use App\Planning\Http\Requests\SayOffRequest;
use App\Planning\Http\Requests\SayStandsRequest;
use App\Planning\Http\Requests\SaySupplyRequest;
use App\Planning\Http\Requests\WishRequest;
use App\Planning\Queries\Day;
use App\Planning\Queries\LastDays;
use App\Planning\Support\WishKind;
use App\Shop\Models\Machine;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The plan of a day. */
final class DayController extends Controller
{
    #[OA\Get(
        path: '/day',
        operationId: 'getDay',
        summary: 'A day: what was and is, and the plan of what comes, with whose hands',
        tags: ['plan'],
        responses: [new Answer(200, 'ok', 'DayData')],
    )]
    public function show(GetDayRequest $request, Day $day): JsonResponse
    {
        return new JsonResponse($day->of(...$request->span()));
    }

    #[OA\Get(
        path: '/day/more',
        operationId: 'getOneMore',
        summary: 'What one more machine or pair of hands would have given on the last 90 days',
        tags: ['plan'],
        responses: [new Answer(200, 'ok', 'LastDaysData')],
    )]
    public function more(GetDayRequest $request, LastDays $days): JsonResponse
    {
        return new JsonResponse($days->of($request->span()[0]));
    }

    #[OA\Post(
        path: '/day/people',
        operationId: 'sayHere',
        summary: 'Say from when to when somebody is here on a day, once per id',
        tags: ['plan'],
        responses: [new Answer(204, 'kept')],
    )]
    public function here(SayHereRequest $request, SayOfDay $say): JsonResponse
    {
        $given = $request->validated();
        $say->here(
            $given['id'],
            $request->actor(),
            (float) $given['day'],
            User::query()->findOrFail((int) $given['person_id']),
            (float) $given['from'],
            (float) $given['to'],
        );

        return new JsonResponse(null, 204);
    }

    #[OA\Post(
        path: '/day/machines',
        operationId: 'sayStands',
        summary: 'Say from when to when a machine stands on a day because somebody works on it, once per id',
        tags: ['plan'],
        responses: [new Answer(204, 'kept')],
    )]
    public function stands(SayStandsRequest $request, SayOfDay $say): JsonResponse
    {
        $given = $request->validated();
        $say->stands(
            $given['id'],
            $request->actor(),
            (float) $given['day'],
            Machine::query()->findOrFail((int) $given['machine_id']),
            (float) $given['from'],
            (float) $given['to'],
            $given['why'] ?? '',
        );

        return new JsonResponse(null, 204);
    }

    #[OA\Post(
        path: '/day/off',
        operationId: 'sayOff',
        summary: 'Say that nobody works on a day, or that they do after all, once per id',
        tags: ['plan'],
        responses: [new Answer(204, 'kept')],
    )]
    public function off(SayOffRequest $request, SayOfDay $say): JsonResponse
    {
        $given = $request->validated();
        $say->off(
            $given['id'],
            $request->actor(),
            (float) $given['day'],
            (bool) $given['off'],
            $given['why'] ?? '',
        );

        return new JsonResponse(null, 204);
    }

    #[OA\Post(
        path: '/day/wishes',
        operationId: 'wishOfDay',
        summary: 'Pin a job of the plan to a time, free it, or leave it out of the day',
        tags: ['plan'],
        responses: [new Answer(204, 'kept')],
    )]
    public function wish(WishRequest $request, SayOfDay $say): JsonResponse
    {
        $given = $request->validated();
        $say->wish(
            $given['id'],
            $request->actor(),
            (float) $given['day'],
            $given['job'],
            WishKind::from($given['kind']),
            isset($given['start']) ? (float) $given['start'] : null,
            (int) $given['after'],
        );

        return new JsonResponse(null, 204);
    }

    #[OA\Post(
        path: '/day/supply',
        operationId: 'saySupply',
        summary: 'Say what the shop\'s supply carries',
        tags: ['plan'],
        responses: [new Answer(204, 'kept')],
    )]
    public function supply(SaySupplyRequest $request, SayOfDay $say): JsonResponse
    {
        $given = $request->validated();
        $amps = $given['amps'] === null ? null : (float) $given['amps'];
        $say->supply($given['id'], $request->actor(), (int) $given['phases'], $amps);

        return new JsonResponse(null, 204);
    }
}
