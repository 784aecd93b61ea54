<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepProduct;
use App\Models\Product;
use App\Models\Recipe;
use App\Support\Present;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What the shop makes: entered by a lead with the numbers that its process asks of a product. */
final class ProductController extends Controller
{
    private const RULES = [
        'name' => ['required', 'string', 'max:80'],
        'process' => ['required', 'string', 'max:30'],
        'polymer' => ['required', 'string', 'max:20'],
        'dimensions' => ['present', 'array', 'max:60'],
        'note' => ['nullable', 'string', 'max:500'],
    ];

    public function __construct(private readonly Present $present, private readonly KeepProduct $keep)
    {
    }

    #[OA\Post(
        path: '/products',
        operationId: 'addProduct',
        summary: 'Enter a product',
        tags: ['shop'],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ProductBody')),
        responses: [new OA\Response(
            response: 201,
            description: 'entered',
            content: new OA\JsonContent(ref: '#/components/schemas/ProductData'),
        )],
    )]
    public function store(Request $request): JsonResponse
    {
        $this->authorize('create', Product::class);

        return new JsonResponse($this->present->product($this->keep->create(self::said($request)), null), 201);
    }

    #[OA\Post(
        path: '/products/{product}',
        operationId: 'changeProduct',
        summary: 'Change a product; runs that were made of it keep their plan',
        tags: ['shop'],
        parameters: [new OA\Parameter(name: 'product', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(ref: '#/components/schemas/ProductBody')),
        responses: [new OA\Response(
            response: 200,
            description: 'kept',
            content: new OA\JsonContent(ref: '#/components/schemas/ProductData'),
        )],
    )]
    public function update(Request $request, Product $product): JsonResponse
    {
        $this->authorize('update', $product);
        $after = $request->validate(['after_revision' => ['required', 'integer', 'min:1']])['after_revision'];
        $changed = $this->keep->change($product, (int) $after, self::said($request));
        $recipe = Recipe::query()->with('by')->where('product_id', $product->id)->orderByDesc('version')->first();

        return new JsonResponse($this->present->product($changed, $recipe));
    }

    /** @return array{name: string, process: string, polymer: string, dimensions: array<array-key, mixed>, note: string} */
    private static function said(Request $request): array
    {
        $given = $request->validate(self::RULES);

        return [
            'name' => trim($given['name']),
            'process' => $given['process'],
            'polymer' => $given['polymer'],
            'dimensions' => $given['dimensions'],
            'note' => $given['note'] ?? '',
        ];
    }
}
