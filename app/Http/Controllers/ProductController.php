<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Models\Product;
use App\Models\Recipe;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Process\Definition;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
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

    public function __construct(
        private readonly Present $present,
        private readonly Processes $processes,
        private readonly PolymerLibrary $polymers,
    ) {
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
        $given = $this->given($request, []);
        $product = DB::transaction(function () use ($given): Product {
            $this->mustBeNew($given['name'], null);

            return Product::query()->create($given);
        });

        return new JsonResponse($this->present->product($product->refresh(), null), 201);
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
        $given = $this->given($request, array_keys($product->dimensions));
        $after = $request->validate(['after' => ['required', 'numeric']])['after'];
        DB::transaction(function () use ($product, $given, $after): void {
            $locked = Product::query()->whereKey($product->id)->lockForUpdate()->firstOrFail();
            // Answers carry a time to a hundredth of a second.
            if (abs(Present::time($locked->updated_at) - (float) $after) > 0.006) {
                throw new InputError('after', "somebody has changed {$locked->name} meanwhile: look at it first");
            }
            if ($locked->process !== $given['process']) {
                throw new InputError('process', 'of a product stays: enter the other as a product of its own');
            }
            $this->mustBeNew($given['name'], $locked->id);
            $locked->update($given);
        });
        $recipe = Recipe::query()->with('by')->where('product_id', $product->id)->orderByDesc('version')->first();

        return new JsonResponse($this->present->product($product->refresh(), $recipe));
    }

    /**
     * @param  list<string>  $had  what it says already, also where this process asks it no more
     * @return array{name: string, process: string, polymer: string, dimensions: array<string, mixed>, note: string}
     */
    private function given(Request $request, array $had): array
    {
        $given = $request->validate(self::RULES);
        $process = $this->processes->get($given['process']);
        $polymer = $this->polymers->has($given['polymer'])
            ? $this->polymers->get($given['polymer'])
            : throw new InputError('polymer', 'is no polymer of the library');
        $why = $process->whyNot($polymer);
        if ($why !== null) {
            throw new InputError('polymer', $why);
        }

        return [
            'name' => trim($given['name']),
            'process' => $process->id(),
            'polymer' => $polymer->code,
            'dimensions' => self::dimensions($process, $given['dimensions'], $had),
            'note' => $given['note'] ?? '',
        ];
    }

    /**
     * @param  array<array-key, mixed>  $given
     * @param  list<string>  $had
     * @return array<string, mixed> those that are said
     */
    private static function dimensions(Definition $process, array $given, array $had): array
    {
        $known = array_map(
            static fn (array $field): string => $field[0]->name,
            Reader::plan($process->settings()),
        );
        $said = array_filter($given, static fn (mixed $value): bool => $value !== null);
        foreach (array_keys($said) as $name) {
            if (! in_array($name, [...$known, ...$had], true)) {
                throw new InputError("dimensions.{$name}", 'is nothing that this process asks of a product');
            }
        }
        try {
            Reader::read($process->settings(), $said);
        } catch (InputError $error) {
            throw $error->under('dimensions');
        }

        return $said;
    }

    private function mustBeNew(string $name, ?int $except): void
    {
        DB::select('select pg_advisory_xact_lock(hashtext(?))', ["product {$name}"]);
        $there = Product::query()->where('name', $name)
            ->when($except !== null, static fn ($q) => $q->where('id', '!=', $except));
        if ($there->exists()) {
            throw new InputError('name', "there is a product called {$name} already");
        }
    }
}
