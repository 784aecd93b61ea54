<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Actions\KeepProduct;
use App\Shop\Http\Requests\AddProductRequest;
use App\Shop\Http\Requests\ChangeProductRequest;
use App\Shop\Models\Product;
use App\Shop\Models\Recipe;
use App\Shop\Queries\PresentShop;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What the shop makes: entered by a lead with the numbers that its process asks of a product. */
final class ProductController extends Controller
{
    public function __construct(private readonly PresentShop $present, private readonly KeepProduct $keep)
    {
    }

    #[OA\Post(
        path: '/products',
        operationId: 'addProduct',
        summary: 'Enter a product',
        tags: ['shop'],
        responses: [new Answer(201, 'entered', 'ProductData')],
    )]
    public function store(AddProductRequest $request): JsonResponse
    {
        return new JsonResponse($this->present->product($this->keep->create($request->product()), null), 201);
    }

    #[OA\Post(
        path: '/products/{product}',
        operationId: 'changeProduct',
        summary: 'Change a product; runs that were made of it keep their plan',
        tags: ['shop'],
        responses: [new Answer(200, 'kept', 'ProductData')],
    )]
    public function update(ChangeProductRequest $request, Product $product): JsonResponse
    {
        $after = $request->validated()['after_revision'];
        $changed = $this->keep->change($product, (int) $after, $request->product());
        $recipe = Recipe::query()->with('by')->where('product_id', $product->id)->orderByDesc('version')->first();

        return new JsonResponse($this->present->product($changed, $recipe));
    }
}
