<?php

declare(strict_types=1);

namespace App\Planning\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Planning\Actions\SayOfDay;
use App\Planning\Http\Requests\HandOverRequest;
use App\Planning\Http\Requests\SayToNextRequest;
use App\Planning\Queries\HandOver;
use App\Support\Seconds;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** From one shift to the next. */
final class HandOverController extends Controller
{
    #[OA\Get(
        path: '/handover',
        operationId: 'getHandOver',
        summary: 'What the next shift finds: made, told, left standing, wanted, planned',
        tags: ['plan'],
        responses: [new Answer(200, 'ok', 'HandOverData')],
    )]
    public function show(HandOverRequest $request, HandOver $handOver): JsonResponse
    {
        return new JsonResponse($handOver->of($request->since(Seconds::now()), ...$request->span()));
    }

    #[OA\Post(
        path: '/handover/notes',
        operationId: 'sayToNext',
        summary: 'Say something to the next shift in own words, once per id',
        tags: ['plan'],
        responses: [new Answer(204, 'kept')],
    )]
    public function note(SayToNextRequest $request, SayOfDay $say): JsonResponse
    {
        $say->toNext(
            $request->string('id')->lower()->value(),
            $request->actor(),
            $request->string('text')->trim()->value(),
        );

        return new JsonResponse(null, 204);
    }
}
