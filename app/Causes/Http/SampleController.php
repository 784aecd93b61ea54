<?php

declare(strict_types=1);

namespace App\Causes\Http;

use App\Causes\Actions\ShowParts;
use App\Causes\Http\Requests\ApproveSampleRequest;
use App\Causes\Http\Requests\ShowPartRequest;
use App\Causes\Models\CaseOf;
use App\Causes\Queries\PlacesShown;
use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Parts as they are beside parts as they should be. */
final class SampleController extends Controller
{
    public function __construct(private readonly PlacesShown $places)
    {
    }

    #[OA\Get(
        path: '/runs/{run}/pictures',
        operationId: 'getPicturesOfRun',
        summary: 'Pictures of the parts of a run by place, each beside the approved sample',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', list: 'PlaceShownData')],
    )]
    public function run(Run $run): JsonResponse
    {
        $this->authorize('viewAny', CaseOf::class);

        return $this->listed($this->places->ofRun($run));
    }

    #[OA\Get(
        path: '/products/{product}/samples',
        operationId: 'getSamples',
        summary: 'What stands for a good part of a product, by place',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', list: 'PlaceShownData')],
    )]
    public function product(Product $product): JsonResponse
    {
        $this->authorize('viewAny', CaseOf::class);

        return $this->listed($this->places->ofProduct($product->id));
    }

    #[OA\Post(
        path: '/runs/{run}/pictures',
        operationId: 'showPart',
        summary: 'Keep a picture of a part, once per id',
        tags: ['causes'],
        responses: [new Answer(201, 'all of the run', list: 'PlaceShownData')],
    )]
    public function store(ShowPartRequest $request, Run $run, ShowParts $show): JsonResponse
    {
        $show->keep(
            $request->string('id')->lower()->value(),
            $request->actor(),
            $run,
            $request->filled('piece') ? $request->integer('piece') : null,
            $request->string('place')->value(),
            $request->string('picture_id')->lower()->value(),
        );

        return $this->listed($this->places->ofRun($run), status: 201);
    }

    #[OA\Post(
        path: '/products/{product}/samples',
        operationId: 'approveSample',
        summary: 'Say which picture stands for good at a place, or that none does, once per id',
        tags: ['causes'],
        responses: [new Answer(201, 'all of the product', list: 'PlaceShownData')],
    )]
    public function approve(ApproveSampleRequest $request, Product $product, ShowParts $show): JsonResponse
    {
        $given = $request->validated();
        $show->approve(
            mb_strtolower($given['id']),
            $request->actor(),
            $product->id,
            $given['place'],
            $given['part_picture_id'] === null ? null : mb_strtolower($given['part_picture_id']),
            $given['before'] === null ? null : mb_strtolower($given['before']),
        );

        return $this->listed($this->places->ofProduct($product->id), status: 201);
    }
}
