<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\Run;
use App\Runs\Queries\FloorView;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class FloorController extends Controller
{
    #[OA\Get(
        path: '/floor',
        operationId: 'getFloor',
        summary: 'What runs, what waits, what needs hands next',
        tags: ['floor'],
        responses: [new Answer(200, 'ok', 'FloorData')],
    )]
    public function __invoke(FloorView $floor): JsonResponse
    {
        $this->authorize('viewAny', Run::class);

        return new JsonResponse($floor());
    }
}
