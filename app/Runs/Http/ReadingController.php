<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Http\Requests\GetReadingsRequest;
use App\Runs\Models\Run;
use App\Runs\Queries\Hearing;
use App\Runs\Queries\Trace;
use App\Runs\Queries\Tracking;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What instruments read in a run. */
final class ReadingController extends Controller
{
    #[OA\Get(
        path: '/runs/{run}/readings',
        operationId: 'getRunReadings',
        summary: 'A run\'s readings, thinned for a chart',
        tags: ['readings'],
        responses: [new OA\Response(
            response: 200,
            description: 'by channel: [seconds since 1970, value]',
            content: new OA\JsonContent(
                type: 'object',
                additionalProperties: new OA\AdditionalProperties(
                    type: 'array',
                    items: new OA\Items(type: 'array', items: new OA\Items(type: 'number')),
                ),
            ),
        )],
    )]
    public function index(GetReadingsRequest $request, Run $run, Trace $trace): JsonResponse
    {
        return new JsonResponse((object) $trace->of($run, ...$request->span()));
    }

    #[OA\Get(
        path: '/runs/{run}/heard',
        operationId: 'getRunHeard',
        summary: 'What instruments told of a run\'s pieces, without a touch',
        tags: ['readings'],
        responses: [new Answer(200, 'ok', list: 'HeardData')],
    )]
    public function heard(Run $run, Hearing $hearing): JsonResponse
    {
        $this->authorize('view', $run);

        return $this->listed(
            $hearing->of($run->load(['events.by', 'stations.machine', 'product', 'procedureVersion'])),
        );
    }

    #[OA\Get(
        path: '/runs/{run}/tracked',
        operationId: 'getRunTracked',
        summary: 'Timers that run, by what instruments measured: when they would be over, and why',
        tags: ['readings'],
        responses: [new Answer(200, 'ok', list: 'TrackedData')],
    )]
    public function tracked(Run $run, Tracking $tracking): JsonResponse
    {
        $this->authorize('view', $run);

        return $this->listed(
            $tracking->of($run->load(['events.by', 'stations.machine', 'product', 'procedureVersion'])),
        );
    }
}
