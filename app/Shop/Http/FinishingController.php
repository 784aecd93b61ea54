<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Actions\KeepFinishing;
use App\Shop\Data\FinishedData;
use App\Shop\Data\FinishingData;
use App\Shop\Http\Requests\FinishRequest;
use App\Shop\Http\Requests\SayFinishingRequest;
use App\Shop\Models\Finished;
use App\Shop\Models\Finishing;
use App\Shop\Models\Product;
use App\Shop\Queries\Finishings;
use App\Shop\Queries\Goods;
use App\Support\Seconds;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What is done to pieces after their run, and to how many it was done. */
final class FinishingController extends Controller
{
    /** of the log, newest first */
    private const TOLD = 10;

    #[OA\Get(
        path: '/products/{product}/finishing',
        operationId: 'getFinishing',
        summary: 'What is done to the pieces of a product after their run, and who finished how many',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', 'FinishingData')],
    )]
    public function show(Product $product): JsonResponse
    {
        $this->authorize('view', $product);

        return new JsonResponse(self::of($product));
    }

    #[OA\Post(
        path: '/products/{product}/finishing',
        operationId: 'sayFinishing',
        summary: 'Say what is done to the pieces of a product after their run',
        tags: ['shop'],
        responses: [new Answer(200, 'kept', 'FinishingData')],
    )]
    public function say(SayFinishingRequest $request, Product $product, KeepFinishing $keep): JsonResponse
    {
        $keep->say(
            $product,
            $request->integer('after'),
            $request->operations(),
            $request->integer('wait'),
            $request->actor(),
        );

        return new JsonResponse(self::of($product));
    }

    #[OA\Post(
        path: '/products/{product}/finished',
        operationId: 'finishGoods',
        summary: 'So many were finished: they are goods, and the parts that they took are gone',
        tags: ['shop'],
        responses: [new Answer(201, 'kept', 'GoodsData')],
    )]
    public function finish(FinishRequest $request, Product $product, KeepFinishing $keep, Goods $goods): JsonResponse
    {
        $given = $request->validated();
        $keep->finish($given['id'], $product, (int) $given['count'], $given['reason'] ?? '', $request->actor());

        return new JsonResponse($goods->one($product), 201);
    }

    private static function of(Product $product): FinishingData
    {
        $newest = Finishing::query()->with('by')->where('product_id', $product->id)->orderByDesc('id')->first();
        $log = Finished::query()
            ->with('by')
            ->where('product_id', $product->id)
            ->orderByDesc('at')
            ->limit(self::TOLD)
            ->get();

        return new FinishingData(
            $newest === null ? [] : Finishings::now()->told($newest),
            $newest->id ?? 0,
            $newest?->by->name,
            $newest === null ? null : Seconds::of($newest->at),
            array_values($log->map(static fn (Finished $f): FinishedData => new FinishedData(
                $f->count,
                $f->reason,
                $f->by->name,
                Seconds::of($f->at),
            ))->all()),
        );
    }
}
