<?php

declare(strict_types=1);

namespace App\Causes\Http;

use App\Causes\Models\LessonSaid;
use App\Causes\Queries\LearntProduct;
use App\Causes\Queries\LearntProducts;
use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Models\Product;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What the runs of each product taught. */
final class LearnController extends Controller
{
    #[OA\Get(
        path: '/learnt',
        operationId: 'getLearnt',
        summary: 'Products that were made, each with its last runs, its open causes and the set-up it opens with',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', list: 'LearntData')],
    )]
    public function index(LearntProducts $learnt): JsonResponse
    {
        $this->authorize('viewAny', LessonSaid::class);

        return $this->listed($learnt->all());
    }

    #[OA\Get(
        path: '/learnt/{product}',
        operationId: 'getLearntProduct',
        summary: 'The window of a product as it was run, its control charts, and its set-ups version by version',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', 'LearntProductData')],
    )]
    public function show(Product $product, LearntProduct $learnt): JsonResponse
    {
        $this->authorize('viewAny', LessonSaid::class);

        return new JsonResponse($learnt->of($product));
    }
}
