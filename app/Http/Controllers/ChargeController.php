<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\WeighCharge;
use App\Data\ChargeData;
use App\Models\Act;
use App\Models\Charge;
use App\Models\Mix;
use App\Models\Product;
use App\Support\Label;
use App\Support\Ledger;
use App\Support\PresentCharge;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Charge\BlendResult;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Charges at the weigh bench. */
final class ChargeController extends Controller
{
    public function __construct(private readonly PresentCharge $present, private readonly WeighCharge $weigh)
    {
    }

    #[OA\Get(
        path: '/charges',
        operationId: 'getCharges',
        summary: 'Charges being weighed or waiting, and the last ones used',
        tags: ['weigh'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/ChargeData')),
        )],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Charge::class);

        return new JsonResponse(
            Charge::query()->with(PresentCharge::WHOLE)
                ->orderByRaw("status in ('weighing', 'waiting') desc, number desc")
                ->limit(40)
                ->get()
                ->map(fn (Charge $c): ChargeData => $this->present->charge($c)),
        );
    }

    #[OA\Post(
        path: '/charges',
        operationId: 'beginCharge',
        summary: 'Begin a charge for a product or of a mix; the core rounds it to the scale',
        tags: ['weigh'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id', 'polymer', 'total_g', 'scale_g'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'polymer', type: 'string'),
                    new OA\Property(property: 'product_id', type: 'integer', nullable: true),
                    new OA\Property(property: 'mix_id', type: 'integer', nullable: true),
                    new OA\Property(property: 'total_g', type: 'number'),
                    new OA\Property(property: 'scale_g', type: 'number'),
                    new OA\Property(property: 'tolerance_pct', type: 'number'),
                    new OA\Property(property: 'about', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'begun',
            content: new OA\JsonContent(ref: '#/components/schemas/ChargeData'),
        )],
    )]
    public function store(
        Request $request,
        Registry $calculations,
        PolymerLibrary $polymers,
        Ledger $ledger,
    ): JsonResponse {
        $this->authorize('create', Charge::class);
        $given = $request->validate([
            'id' => ['required', 'uuid'],
            'polymer' => ['required', 'string', 'max:20'],
            'product_id' => ['nullable', 'integer', 'exists:products,id'],
            'mix_id' => ['nullable', 'integer', 'exists:mixes,id'],
            'total_g' => ['required', 'numeric', 'gt:0', 'max:10000000'],
            'scale_g' => ['required', 'numeric', 'gt:0', 'max:1000'],
            'tolerance_pct' => ['nullable', 'numeric', 'between:0.05,20'],
            'about' => ['nullable', 'string', 'max:120'],
        ]);
        if (! $polymers->has($given['polymer']) || $polymers->get($given['polymer'])->neverHot()) {
            throw new InputError('polymer', 'never goes hot: no charge is weighed of it');
        }
        $mix = isset($given['mix_id']) ? Mix::query()->whereKey($given['mix_id'])->firstOrFail() : null;
        if ($mix !== null && $mix->polymer !== $given['polymer']) {
            throw new InputError(
                'mix_id',
                "the mix {$mix->name} is {$mix->polymer}, and this charge is {$given['polymer']}",
            );
        }
        $parts = $mix->components ?? [[
            'name' => $given['polymer'],
            'swatch' => '#9aa0a2',
            'parts' => 1,
            'kind' => 'colour',
        ]];
        $blend = $calculations->run(
            'charge.blend',
            [
                'total_mass_g' => $given['total_g'],
                'scale_resolution_g' => $given['scale_g'],
                'components' => array_map(
                    static fn (array $p): array => ['name' => $p['name'], 'parts' => $p['parts']],
                    $parts,
                ),
            ],
        );
        assert($blend instanceof BlendResult);
        $product = isset($given['product_id']) ? Product::query()->whereKey($given['product_id'])->first() : null;
        $ledger->act($given['id'], 'charge', $this
            ->actor($request), '', [], static function (Act $act) use ($given, $mix, $product, $parts, $blend): void {
                Charge::query()->create([
                    'id' => $act->id,
                    'product_id' => $product?->id,
                    'about' => $given['about'] ?? trim(
                        ($product->name ?? 'charge').($mix === null ? '' : ", {$mix->name} v{$mix->version}"),
                    ),
                    'polymer' => $given['polymer'],
                    'scale_g' => $given['scale_g'],
                    'tolerance_pct' => $given['tolerance_pct'] ?? 1.0,
                    'status' => Charge::WEIGHING,
                    'by_id' => $act->by_id,
                    'created_at' => $act->at,
                    'components' => array_map(
                        static fn (array $p, $b): array => [
                            'name' => $p['name'],
                            'swatch' => $p['swatch'],
                            'kind' => $p['kind'],
                            'target_g' => $b->rounded_g,
                        ],
                        $parts,
                        $blend->components,
                    ),
                ]);
            });

        return $this->answer($given['id']);
    }

    #[OA\Get(
        path: '/charges/{charge}',
        operationId: 'getCharge',
        summary: 'A charge as it stands',
        tags: ['weigh'],
        parameters: [new OA\Parameter(
            name: 'charge',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/ChargeData'),
        )],
    )]
    public function show(Charge $charge): JsonResponse
    {
        $this->authorize('view', $charge);

        return $this->answer($charge->id, 200);
    }

    #[OA\Post(
        path: '/charges/{charge}/weighings',
        operationId: 'weighIn',
        summary: 'Put a weighing into a charge; negative takes out again',
        tags: ['weigh'],
        parameters: [new OA\Parameter(
            name: 'charge',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['key', 'component', 'lot_id', 'mass_g', 'how'],
                properties: [
                    new OA\Property(property: 'key', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'component', type: 'integer'),
                    new OA\Property(property: 'lot_id', type: 'integer'),
                    new OA\Property(property: 'mass_g', type: 'number'),
                    new OA\Property(property: 'how', type: 'string', enum: ['scale', 'hand', 'simulated']),
                    new OA\Property(property: 'reason', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'in',
            content: new OA\JsonContent(ref: '#/components/schemas/ChargeData'),
        )],
    )]
    public function weighing(Request $request, Charge $charge): JsonResponse
    {
        $this->authorize('update', $charge);
        $given = $request->validate([
            'key' => ['required', 'uuid'],
            'component' => ['required', 'integer', 'between:0,30'],
            'lot_id' => ['required', 'integer', 'exists:lots,id'],
            'mass_g' => ['required', 'numeric', 'between:-10000000,10000000', 'not_in:0'],
            'how' => ['required', 'in:scale,hand,simulated'],
            'reason' => ['nullable', 'string', 'max:500'],
        ]);
        $this->weigh->weigh(
            $given['key'],
            $this->actor($request),
            $charge,
            (int) $given['component'],
            (int) $given['lot_id'],
            (float) $given['mass_g'],
            $given['how'],
            (string) ($given['reason'] ?? ''),
        );

        return $this->answer($charge->id);
    }

    #[OA\Post(
        path: '/charges/{charge}/total',
        operationId: 'rescaleCharge',
        summary: 'Scale a charge up or down, every target in proportion',
        tags: ['weigh'],
        parameters: [new OA\Parameter(
            name: 'charge',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id', 'total_g'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'total_g', type: 'number'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'scaled',
            content: new OA\JsonContent(ref: '#/components/schemas/ChargeData'),
        )],
    )]
    public function total(Request $request, Charge $charge): JsonResponse
    {
        $this->authorize('update', $charge);
        $given = $request->validate([
            'id' => ['required', 'uuid'],
            'total_g' => ['required', 'numeric', 'gt:0', 'max:10000000'],
        ]);
        $this->weigh->rescale($given['id'], $this->actor($request), $charge, (float) $given['total_g']);

        return $this->answer($charge->id);
    }

    #[OA\Post(
        path: '/charges/{charge}/finish',
        operationId: 'finishCharge',
        summary: 'Weighed out: the charge waits for its run',
        tags: ['weigh'],
        parameters: [new OA\Parameter(
            name: 'charge',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id'],
                properties: [new OA\Property(property: 'id', type: 'string', format: 'uuid')],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'waits',
            content: new OA\JsonContent(ref: '#/components/schemas/ChargeData'),
        )],
    )]
    public function finish(Request $request, Charge $charge): JsonResponse
    {
        $this->authorize('update', $charge);
        $this->weigh->finish($request->validate(['id' => ['required', 'uuid']])['id'], $this->actor($request), $charge);

        return $this->answer($charge->id);
    }

    #[OA\Post(
        path: '/charges/{charge}/return',
        operationId: 'returnCharge',
        summary: 'Give an unused charge back to its lots',
        tags: ['weigh'],
        parameters: [new OA\Parameter(
            name: 'charge',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id', 'reason'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'reason', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'given back',
            content: new OA\JsonContent(ref: '#/components/schemas/ChargeData'),
        )],
    )]
    public function giveBack(Request $request, Charge $charge): JsonResponse
    {
        $this->authorize('update', $charge);
        $given = $request->validate(['id' => ['required', 'uuid'], 'reason' => ['required', 'string', 'max:500']]);
        $this->weigh->giveBack($given['id'], $this->actor($request), $charge, $given['reason']);

        return $this->answer($charge->id);
    }

    #[OA\Get(
        path: '/charges/{charge}/label.{format}',
        operationId: 'chargeLabel',
        summary: 'The charge\'s label as pdf or svg',
        tags: ['weigh'],
        parameters: [
            new OA\Parameter(name: 'charge', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(
                name: 'format',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['pdf', 'svg']),
            ),
        ],
        responses: [new OA\Response(response: 200, description: 'the label')],
    )]
    public function label(Charge $charge, string $format, Label $label): Response
    {
        $this->authorize('view', $charge);
        $data = $this->present->charge($charge->load(PresentCharge::WHOLE));
        $svg = $label->ofCharge(
            "weigh/{$charge->id}",
            $data->code,
            $data->polymer,
            array_map(static fn ($c): string => $c->swatch, $data->components),
            $data->about,
            $data->by,
            $data->weighed_g,
        );

        return $format === 'svg'
            ? new Response($svg, 200, ['Content-Type' => 'image/svg+xml'])
            : new Response($label->pdf($svg), 200, ['Content-Type' => 'application/pdf']);
    }

    private function answer(string $id, int $status = 201): JsonResponse
    {
        return new JsonResponse(
            $this->present->charge(Charge::query()->with(PresentCharge::WHOLE)->findOrFail($id)),
            $status,
        );
    }
}
