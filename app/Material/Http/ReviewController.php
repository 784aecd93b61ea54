<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Queries\ShopReview;
use App\Shop\Models\PolymerOverride;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class ReviewController extends Controller
{
    #[OA\Get(
        path: '/review',
        operationId: 'getReview',
        summary: 'What older rules let in and a lead looks at again',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'ReviewItemData')],
    )]
    public function __invoke(ShopReview $review): JsonResponse
    {
        $this->authorize('create', PolymerOverride::class);

        return $this->listed($review());
    }
}
