<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Actions\SetOwnValue;
use App\Shop\Data\OwnValueData;
use App\Shop\Data\OwnValueEntryData;
use App\Shop\Http\Requests\OverridePolymerRequest;
use App\Shop\Models\PolymerOverride;
use App\Support\Seconds;
use Dithermic\Core\Material\OwnValue;
use Dithermic\Core\Material\OwnValues;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Support\Collection;
use OpenApi\Attributes as OA;

final class OwnValueController extends Controller
{
    #[OA\Get(
        path: '/polymers/{code}/overrides',
        operationId: 'getOwnValues',
        summary: 'What of a polymer the shop may set: the library\'s value, its own, and what was said when',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'OwnValueData')],
    )]
    public function index(string $code): JsonResponse
    {
        $this->authorize('viewAny', PolymerOverride::class);

        return $this->listed($this->of($code));
    }

    #[OA\Post(
        path: '/polymers/{code}/overrides',
        operationId: 'overridePolymer',
        summary: 'Set the shop\'s own value of a polymer, or give it back to the library',
        tags: ['shop'],
        responses: [new Answer(201, 'set', list: 'OwnValueData')],
    )]
    public function store(OverridePolymerRequest $request, SetOwnValue $set, string $code): JsonResponse
    {
        $given = $request->validated();
        $value = $given['value'] === null ? null : (float) $given['value'];
        $after = isset($given['after']) ? (int) $given['after'] : null;
        $set($code, $given['path'], $value, $given['reason'], $request->actor(), $after);

        return $this->listed($this->of($code), status: 201);
    }

    /** @return list<OwnValueData> */
    private function of(string $code): array
    {
        $polymer = (new PolymerLibrary)->get($code, 'code');
        $said = PolymerOverride::query()->where('polymer', $code)->with('by')->orderBy('id')->get()->groupBy('path');

        return array_map(static function (OwnValue $own) use ($polymer, $said): OwnValueData {
            /** @var Collection<int, PolymerOverride> $log */
            $log = $said->get($own->path) ?? new Collection;

            return new OwnValueData(
                $own->path,
                $own->title,
                $own->unit,
                $own->low,
                $own->high,
                $polymer->data->mayNumber($own->path),
                $log->last()?->value,
                array_values($log->map(static fn (PolymerOverride $o): OwnValueEntryData => new OwnValueEntryData(
                    $o->id,
                    $o->value,
                    $o->reason,
                    $o->by?->name,
                    Seconds::of($o->created_at),
                ))->all()),
                $log->last()->id ?? 0,
            );
        }, OwnValues::of($polymer));
    }
}
