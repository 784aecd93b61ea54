<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\ChargeOf;
use App\Runs\Models\RunStation;
use App\Shop\Actions\KeepRecipe;
use App\Shop\Data\ProductChargeData;
use App\Shop\Http\Requests\GetMachinesRequest;
use App\Shop\Http\Requests\GetProductChargeRequest;
use App\Shop\Http\Requests\KeepRecipeRequest;
use App\Shop\Models\Machine;
use App\Shop\Models\PolymerOverride;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Shop\Queries\PresentShop;
use Dithermic\Core\Material\Polymer;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class ShopController extends Controller
{
    public function __construct(private readonly PresentShop $present)
    {
    }

    #[OA\Get(
        path: '/polymers',
        operationId: 'getPolymers',
        summary: 'The polymer library with the shop\'s own values',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'PolymerData')],
    )]
    public function polymers(PolymerLibrary $library): JsonResponse
    {
        $this->authorize('viewAny', PolymerOverride::class);

        return $this->listed(array_map(
            fn (Polymer $p) => $this->present->polymer($p),
            array_values($library->all()),
        ));
    }

    #[OA\Get(
        path: '/machines',
        operationId: 'getMachines',
        summary: 'Machines and what each can do',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'MachineData')],
    )]
    public function machines(GetMachinesRequest $request): JsonResponse
    {
        $retired = (bool) ($request->validated()['retired'] ?? false);
        $running = RunStation::query()->whereNotNull('from_at')->whereNull('to_at')->pluck('run_id', 'machine_id');

        return $this->listed(
            Machine::query()->whereNull('retired_at', not: $retired)->orderBy('id')->get()->map(
                fn (Machine $m) => $this->present->machine($m, $running[$m->id] ?? null),
            ),
        );
    }

    #[OA\Get(
        path: '/processes',
        operationId: 'getProcesses',
        summary: 'The processes that run here, with their machines, schools and settings',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'ProcessData')],
    )]
    public function processes(Processes $processes): JsonResponse
    {
        $this->authorize('viewAny', Product::class);

        return $this->listed(array_map($this->present->process(...), $processes->all()));
    }

    #[OA\Get(
        path: '/products',
        operationId: 'getProducts',
        summary: 'What the shop makes, with the newest recipe',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'ProductData')],
    )]
    public function products(): JsonResponse
    {
        $this->authorize('viewAny', Product::class);
        $newest = Recipe::query()->with('by')->orderBy('version')->get()->keyBy('product_id');

        return $this->listed(
            Product::query()->orderBy('id')->get()->map(
                fn (Product $p) => $this->present->product($p, $newest->get($p->id)),
            ),
        );
    }

    #[OA\Get(
        path: '/products/{product}/charge',
        operationId: 'getProductCharge',
        summary: 'What one piece weighs on the scale, by the plan that sets its run up',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', 'ProductChargeData')],
    )]
    public function charge(GetProductChargeRequest $request, Product $product, ChargeOf $charge): JsonResponse
    {
        $given = $request->validated();
        $machine = isset($given['machine_id']) ? Machine::query()->whereKey($given['machine_id'])->first() : null;

        return new JsonResponse(new ProductChargeData(...$charge($product, $machine)));
    }

    #[OA\Post(
        path: '/products/{product}/recipes',
        operationId: 'keepRecipe',
        summary: 'Keep settings as the next version of the recipe',
        tags: ['shop'],
        responses: [new Answer(201, 'kept', 'RecipeData')],
    )]
    public function keepRecipe(KeepRecipeRequest $request, Product $product, KeepRecipe $keep): JsonResponse
    {
        $recipe = $keep($product, $request->actor(), $request->safe());

        return new JsonResponse($this->present->recipe($recipe->load('by')), 201);
    }
}
