<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\PolymerOverride;
use App\Support\ShopReview;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class ReviewController extends Controller
{
    #[OA\Get(
        path: '/review',
        operationId: 'getReview',
        summary: 'What older rules let in and a lead looks at again',
        tags: ['shop'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/ReviewItemData')),
        )],
    )]
    public function __invoke(ShopReview $review): JsonResponse
    {
        $this->authorize('create', PolymerOverride::class);

        return new JsonResponse($review());
    }
}
