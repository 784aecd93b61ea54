<?php

declare(strict_types=1);

namespace App\Planning\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Planning\Actions\KeepOrders;
use App\Planning\Http\Requests\SayOfOrderRequest;
use App\Planning\Http\Requests\TakeOrderRequest;
use App\Planning\Models\ShopOrder;
use App\Planning\Queries\Orders;
use App\Planning\Support\OrderEntryKind;
use App\Shop\Models\Product;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** So many of a product that somebody waits for. */
final class OrderController extends Controller
{
    public function __construct(private readonly Orders $orders)
    {
    }

    #[OA\Get(
        path: '/orders',
        operationId: 'getOrders',
        summary: 'Open orders, by when they are due',
        tags: ['plan'],
        responses: [new Answer(200, 'ok', list: 'OrderData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', ShopOrder::class);

        return $this->listed($this->orders->open());
    }

    #[OA\Post(
        path: '/orders',
        operationId: 'takeOrder',
        summary: 'Take an order, once per id',
        tags: ['plan'],
        responses: [new Answer(201, 'taken', list: 'OrderData')],
    )]
    public function store(TakeOrderRequest $request, KeepOrders $keep): JsonResponse
    {
        $given = $request->validated();
        $keep->take(
            $given['id'],
            $request->actor(),
            Product::query()->findOrFail((int) $given['product_id']),
            (int) $given['count'],
            (float) $given['due'],
            $given['words'] ?? '',
        );

        return $this->listed($this->orders->open(), status: 201);
    }

    #[OA\Post(
        path: '/orders/{order}/entries',
        operationId: 'sayOfOrder',
        summary: 'Move an order to another day, deliver it off the shelf, or cancel it',
        tags: ['plan'],
        responses: [new Answer(201, 'kept', list: 'OrderData')],
    )]
    public function say(SayOfOrderRequest $request, ShopOrder $order, KeepOrders $keep): JsonResponse
    {
        $given = $request->validated();
        $keep->say(
            $given['id'],
            $order,
            OrderEntryKind::from($given['kind']),
            (int) $given['after'],
            isset($given['due']) ? (float) $given['due'] : null,
            $given['reason'] ?? '',
            $request->actor(),
        );

        return $this->listed($this->orders->open(), status: 201);
    }
}
