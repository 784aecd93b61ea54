<?php

declare(strict_types=1);

namespace App\Causes\Http;

use App\Causes\Actions\MarkFlaw;
use App\Causes\Http\Requests\MarkFlawRequest;
use App\Causes\Models\CaseOf;
use App\Causes\Queries\FlawMaps;
use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Where on parts flaws lie. */
final class FlawController extends Controller
{
    public function __construct(private readonly FlawMaps $maps)
    {
    }

    #[OA\Get(
        path: '/runs/{run}/flaws',
        operationId: 'getFlawsOfRun',
        summary: 'Flaws that were marked on the parts of a run, and whether they lie in one place',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', 'FlawMapData')],
    )]
    public function run(Run $run): JsonResponse
    {
        $this->authorize('viewAny', CaseOf::class);

        return new JsonResponse($this->maps->ofRun($run->load('product')));
    }

    #[OA\Get(
        path: '/products/{product}/flaws',
        operationId: 'getFlawsOfProduct',
        summary: 'The newest flaws of a product over its runs, and whether they lie in one place',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', 'FlawMapData')],
    )]
    public function product(Product $product): JsonResponse
    {
        $this->authorize('viewAny', CaseOf::class);

        return new JsonResponse($this->maps->ofProduct($product));
    }

    #[OA\Post(
        path: '/runs/{run}/flaws',
        operationId: 'markFlaw',
        summary: 'Mark a flaw on a part of a run, or take one back, once per id',
        tags: ['causes'],
        responses: [new Answer(200, 'all of the run', 'FlawMapData')],
    )]
    public function store(MarkFlawRequest $request, Run $run, MarkFlaw $flaw): JsonResponse
    {
        $id = $request->string('id')->lower()->value();
        $run->load('product');
        if ($request->filled('undoes')) {
            $flaw->takeBack($id, $request->actor(), $run, $request->string('undoes')->lower()->value());
        } else {
            $flaw->mark(
                $id,
                $request->actor(),
                $run,
                $request->filled('piece') ? $request->integer('piece') : null,
                $request->string('defect')->value(),
                $request->float('along'),
                $request->float('across'),
            );
        }

        return new JsonResponse($this->maps->ofRun($run));
    }
}
