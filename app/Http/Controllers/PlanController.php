<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\PlanPress;
use App\Http\Requests\PressPlanRequest;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class PlanController extends Controller
{
    #[OA\Post(
        path: '/plans/press',
        operationId: 'planPress',
        summary: 'The whole answer for a press job: charge, heating, rules, safety',
        tags: ['runs'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(ref: '#/components/schemas/PressPlanRequest'),
        ),
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/PressPlanData'),
        )],
    )]
    public function __invoke(PressPlanRequest $request, PlanPress $plan): JsonResponse
    {
        return new JsonResponse($request->answer($plan));
    }
}
