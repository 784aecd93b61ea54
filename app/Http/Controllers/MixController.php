<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\KeepMix;
use App\Data\MixComponentData;
use App\Data\MixData;
use App\Models\Mix;
use App\Support\Present;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Colour;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Named mixes, each change a version. */
final class MixController extends Controller
{
    #[OA\Get(
        path: '/mixes',
        operationId: 'getMixes',
        summary: 'Mixes, the newest version of each',
        tags: ['weigh'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/MixData')),
        )],
    )]
    public function index(PolymerLibrary $polymers): JsonResponse
    {
        $this->authorize('viewAny', Mix::class);

        return new JsonResponse(
            Mix::query()->with('by')
                ->whereIn('id', Mix::query()->selectRaw('max(id)')->groupBy('name'))
                ->orderBy('name')
                ->get()
                ->map(static fn (Mix $m): MixData => self::data($m, $polymers)),
        );
    }

    #[OA\Post(
        path: '/mixes',
        operationId: 'keepMix',
        summary: 'Keep a mix as the next version of its name',
        tags: ['weigh'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['name', 'polymer', 'after_version', 'components'],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'polymer', type: 'string'),
                    new OA\Property(property: 'after_version', type: 'integer'),
                    new OA\Property(property: 'note', type: 'string'),
                    new OA\Property(
                        property: 'components',
                        type: 'array',
                        items: new OA\Items(
                            type: 'object',
                            required: ['name', 'swatch', 'parts', 'kind'],
                            properties: [
                                new OA\Property(property: 'name', type: 'string'),
                                new OA\Property(property: 'swatch', type: 'string'),
                                new OA\Property(property: 'parts', type: 'number'),
                                new OA\Property(property: 'kind', type: 'string'),
                            ],
                        ),
                    ),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'kept',
            content: new OA\JsonContent(ref: '#/components/schemas/MixData'),
        )],
    )]
    public function store(Request $request, KeepMix $keep, PolymerLibrary $polymers): JsonResponse
    {
        $this->authorize('create', Mix::class);
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80'],
            'polymer' => ['required', 'string', 'max:20'],
            'after_version' => ['required', 'integer', 'min:0'],
            'note' => ['nullable', 'string', 'max:500'],
            'components' => ['required', 'array', 'min:1', 'max:20'],
            'components.*.name' => ['required', 'string', 'max:60', 'distinct'],
            'components.*.swatch' => ['required', 'regex:/^#[0-9a-fA-F]{6}$/'],
            'components.*.parts' => ['required', 'numeric', 'gt:0', 'max:1000000'],
            'components.*.kind' => ['required', Rule::in(KeepMix::KINDS)],
        ]);
        $mix = $keep($given, $this->actor($request)->id);

        return new JsonResponse(self::data($mix->load('by'), $polymers), 201);
    }

    private static function data(Mix $mix, PolymerLibrary $polymers): MixData
    {
        $parts = array_sum(array_column($mix->components, 'parts'));
        $regrind = 100 * array_sum(array_map(
            static fn (array $c): float => $c['kind'] === 'regrind' ? (float) $c['parts'] : 0.0,
            $mix->components,
        )) / $parts;
        $guide = $polymers->has($mix->polymer)
            ? $polymers->get($mix->polymer)->record['regrind_max_pct_guidance'] ?? null
            : null;
        $preview = array_map(static fn (array $c): array => [$c['swatch'], (float) $c['parts']], $mix->components);
        assert($preview !== []);

        return new MixData(
            $mix->id, $mix->name, $mix->version, $mix->polymer,
            array_map(
                static fn (array $c): MixComponentData => new MixComponentData(
                    $c['name'],
                    $c['swatch'],
                    (float) $c['parts'],
                    100 * $c['parts'] / $parts,
                    $c['kind'],
                ),
                $mix->components,
            ),
            Colour::mean($preview),
            $regrind,
            isset($guide['pct']) ? (float) $guide['pct'] : null,
            $guide['note'] ?? null,
            $mix->note,
            $mix->by->name,
            Present::time($mix->created_at),
        );
    }
}
