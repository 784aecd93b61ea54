<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SetOwnValue;
use App\Data\OwnValueData;
use App\Data\OwnValueEntryData;
use App\Models\PolymerOverride;
use App\Models\User;
use App\Support\Present;
use Dithermic\Core\Material\OwnValue;
use Dithermic\Core\Material\OwnValues;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Arr;
use Illuminate\Support\Collection;
use OpenApi\Attributes as OA;

final class OwnValueController extends Controller
{
    #[OA\Get(
        path: '/polymers/{code}/overrides',
        operationId: 'getOwnValues',
        summary: 'What of a polymer the shop may set: the library\'s value, its own, and what was said when',
        tags: ['shop'],
        parameters: [new OA\Parameter(name: 'code', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/OwnValueData')),
        )],
    )]
    public function index(string $code): JsonResponse
    {
        $this->authorize('viewAny', PolymerOverride::class);

        return new JsonResponse($this->of($code));
    }

    #[OA\Post(
        path: '/polymers/{code}/overrides',
        operationId: 'overridePolymer',
        summary: 'Set the shop\'s own value of a polymer, or give it back to the library',
        tags: ['shop'],
        parameters: [new OA\Parameter(name: 'code', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['path', 'value', 'reason'],
                properties: [
                    new OA\Property(property: 'path', type: 'string'),
                    new OA\Property(
                        property: 'value',
                        description: 'null: back to the library',
                        type: 'number',
                        nullable: true,
                    ),
                    new OA\Property(property: 'reason', type: 'string'),
                    new OA\Property(
                        property: 'after',
                        description: 'newest entry of it that was seen',
                        type: 'integer',
                        nullable: true,
                    ),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'set',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/OwnValueData')),
        )],
    )]
    public function store(Request $request, SetOwnValue $set, string $code): JsonResponse
    {
        $this->authorize('create', PolymerOverride::class);
        $given = $request->validate([
            'path' => ['required', 'string', 'max:80'],
            'value' => ['present', 'nullable', 'numeric'],
            'reason' => ['required', 'string', 'max:500'],
            'after' => ['nullable', 'integer', 'min:0'],
        ]);
        /** @var User $lead */
        $lead = $request->user();
        $value = $given['value'] === null ? null : (float) $given['value'];
        $after = isset($given['after']) ? (int) $given['after'] : null;
        $set($code, $given['path'], $value, $given['reason'], $lead, $after);

        return new JsonResponse($this->of($code), 201);
    }

    /** @return list<OwnValueData> */
    private function of(string $code): array
    {
        $polymer = (new PolymerLibrary)->get($code, 'code');
        $said = PolymerOverride::query()->where('polymer', $code)->with('by')->orderBy('id')->get()->groupBy('path');

        return array_map(static function (OwnValue $own) use ($polymer, $said): OwnValueData {
            /** @var Collection<int, PolymerOverride> $log */
            $log = $said->get($own->path) ?? new Collection;
            $library = Arr::get($polymer->record, $own->path);

            return new OwnValueData(
                $own->path,
                $own->title,
                $own->unit,
                $own->low,
                $own->high,
                is_numeric($library) ? (float) $library : null,
                $log->last()?->value,
                array_values($log->map(static fn (PolymerOverride $o): OwnValueEntryData => new OwnValueEntryData(
                    $o->id,
                    $o->value,
                    $o->reason,
                    $o->by?->name,
                    Present::time($o->created_at),
                ))->all()),
                $log->last()->id ?? 0,
            );
        }, OwnValues::of($polymer));
    }
}
