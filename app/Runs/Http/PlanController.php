<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Actions\PlanRun;
use App\Runs\Http\Requests\PlanRequest;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class PlanController extends Controller
{
    #[OA\Post(
        path: '/plans',
        operationId: 'planRun',
        summary: 'The whole answer for a job by its product\'s process: charge, settings, timers, checks, safety',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'PlanData')],
    )]
    public function __invoke(PlanRequest $request, PlanRun $plan, Processes $processes): JsonResponse
    {
        return new JsonResponse($plan($request->order($processes)));
    }
}
