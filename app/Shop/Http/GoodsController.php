<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Actions\MoveGoods;
use App\Shop\Http\Requests\MoveGoodsRequest;
use App\Shop\Http\Requests\WatchGoodsRequest;
use App\Shop\Models\Product;
use App\Shop\Queries\Goods;
use App\Shop\Support\GoodsMovementKind;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Finished goods: how many stand there, what goes, and when more are made. */
final class GoodsController extends Controller
{
    public function __construct(private readonly Goods $goods)
    {
    }

    #[OA\Get(
        path: '/goods',
        operationId: 'getGoods',
        summary: 'Finished goods by product, what wants making first',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'GoodsData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Product::class);

        return $this->listed($this->goods->all());
    }

    #[OA\Post(
        path: '/products/{product}/goods',
        operationId: 'moveGoods',
        summary: 'Take goods away, or say how many were counted',
        tags: ['shop'],
        responses: [new Answer(201, 'kept', 'GoodsData')],
    )]
    public function store(MoveGoodsRequest $request, Product $product, MoveGoods $move): JsonResponse
    {
        $given = $request->validated();
        $move(
            $given['id'],
            $request->actor(),
            $product,
            GoodsMovementKind::from($given['kind']),
            (int) $given['count'],
            $given['reason'] ?? '',
        );

        return new JsonResponse($this->goods->one($product), 201);
    }

    #[OA\Post(
        path: '/products/{product}/shelf',
        operationId: 'watchGoods',
        summary: 'Say at how many of a product more are made, and up to how many',
        tags: ['shop'],
        responses: [new Answer(200, 'kept', 'GoodsData')],
    )]
    public function watch(WatchGoodsRequest $request, Product $product, MoveGoods $move): JsonResponse
    {
        $given = $request->validated();
        $move->watch($product, (int) $given['after_revision'], $given['reorder_at'] ?? null, $given['make_to'] ?? null);

        return new JsonResponse($this->goods->one($product));
    }
}
