<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\SourceDetailData;
use App\Data\SourceEventData;
use App\Models\Act;
use App\Models\ContaminationNote;
use App\Models\Lot;
use App\Models\LotMovement;
use App\Models\Run;
use App\Models\RunMaterial;
use App\Models\Source;
use App\Models\SourceEvent;
use App\Support\Ledger;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Safety\Scale;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Stock\Trust;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Where material comes from, and the trust each has earned. */
final class SourceController extends Controller
{
    public function __construct(private readonly Present $present)
    {
    }

    #[OA\Get(
        path: '/sources',
        operationId: 'getSources',
        summary: 'Where material comes from',
        tags: ['sources'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/SourceData')),
        )],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Source::class);

        return new JsonResponse(
            Source::query()->orderBy('name')->get()->map(fn (Source $s) => $this->present->source($s)),
        );
    }

    #[OA\Post(
        path: '/sources',
        operationId: 'addSource',
        summary: 'A new source begins on trial',
        tags: ['sources'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['name'],
                properties: [
                    new OA\Property(property: 'name', type: 'string'),
                    new OA\Property(property: 'note', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'added',
            content: new OA\JsonContent(ref: '#/components/schemas/SourceData'),
        )],
    )]
    public function store(Request $request): JsonResponse
    {
        $this->authorize('create', Source::class);
        $given = $request->validate([
            'name' => ['required', 'string', 'max:80', 'unique:sources,name'],
            'note' => ['nullable', 'string', 'max:500'],
        ]);
        $source = Source::query()->create([
            'name' => $given['name'],
            'state' => SourceState::OnTrial,
            'note' => $given['note'] ?? '',
        ]);

        return new JsonResponse($this->present->source($source), 201);
    }

    #[OA\Get(
        path: '/sources/{source}',
        operationId: 'getSource',
        summary: 'A source and what it has taught',
        tags: ['sources'],
        parameters: [new OA\Parameter(
            name: 'source',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'integer'),
        )],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/SourceDetailData'),
        )],
    )]
    public function show(Source $source): JsonResponse
    {
        $this->authorize('view', $source);

        return new JsonResponse($this->detail($source));
    }

    #[OA\Post(
        path: '/sources/{source}/events',
        operationId: 'trustSource',
        summary: 'A trial, an acceptance or a delivery check; the ladder is the core\'s',
        tags: ['sources'],
        parameters: [new OA\Parameter(
            name: 'source',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'integer'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id', 'kind'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'kind', type: 'string'),
                    new OA\Property(property: 'worked_at_c', type: 'number', nullable: true),
                    new OA\Property(property: 'run_id', type: 'string', nullable: true),
                    new OA\Property(property: 'picture_id', type: 'string', nullable: true),
                    new OA\Property(property: 'note', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'noted',
            content: new OA\JsonContent(ref: '#/components/schemas/SourceDetailData'),
        )],
    )]
    public function trust(Request $request, Source $source, Ledger $ledger): JsonResponse
    {
        $given = $request->validate([
            'id' => ['required', 'uuid'],
            'kind' => ['required', Rule::enum(Trust::class)],
            'worked_at_c' => ['nullable', 'numeric', 'between:20,450'],
            'run_id' => ['nullable', 'uuid', 'exists:runs,id'],
            'picture_id' => ['nullable', 'uuid', 'exists:pictures,id'],
            'note' => ['nullable', 'string', 'max:1000'],
        ]);
        $trust = Trust::from($given['kind']);
        $this->authorize($trust->leadOnly() ? 'accept' : 'update', $source);
        if ($trust->needsTemperature() && ! isset($given['worked_at_c'])) {
            throw new InputError(
                'worked_at_c',
                'is required: the temperature at which it worked is what a trial is for',
            );
        }
        if ($trust === Trust::DeliveryFailed && trim((string) ($given['note'] ?? '')) === '') {
            throw new InputError('note', 'is required: say what was wrong with the delivery');
        }
        $ledger->act($given['id'], 'trust', $this
            ->actor($request), (string) ($given['note'] ?? ''), [
                'source_id' => $source->id,
                'kind' => $trust->value,
            ], function (Act $act) use ($source, $trust, $given): void {
                $locked = Source::query()->whereKey($source->id)->lockForUpdate()->firstOrFail();
                $next = $trust->after($locked->state);
                SourceEvent::query()->create([
                    'act_id' => $act->id,
                    'source_id' => $source->id,
                    'kind' => $trust->value,
                    'state' => $next->value,
                    'worked_at_c' => $given['worked_at_c'] ?? null,
                    'run_id' => $given['run_id'] ?? null,
                    'picture_id' => $given['picture_id'] ?? null,
                    'note' => $given['note'] ?? '',
                    'by_id' => $act->by_id,
                    'at' => $act->at,
                ]);
                $locked->update(['state' => $next]);
            });

        return new JsonResponse($this->detail($source->refresh()), 201);
    }

    private function detail(Source $source): SourceDetailData
    {
        $events = SourceEvent::query()->with('by')
            ->where('source_id', $source->id)
            ->orderByDesc('at')
            ->limit(100)
            ->get();
        $lots = Lot::query()->withHeld()
            ->with(['source', 'reservedFor'])
            ->where('source_id', $source->id)
            ->orderByDesc('id')
            ->limit(50)
            ->get();
        $ofSource = LotMovement::query()->join('lots', 'lots.id', '=', 'lot_movements.lot_id')
            ->where('lots.source_id', $source->id);
        $delivered = (float) (clone $ofSource)->whereIn('kind', [LotMovement::DELIVERED, LotMovement::SORTED])
            ->sum('lot_movements.mass_g');
        $used = -(float) (clone $ofSource)->whereIn(
            'kind',
            [LotMovement::DRAWN, LotMovement::WEIGHED, LotMovement::RETURNED],
        )->sum('lot_movements.mass_g');
        $runs = $this->taught($source);
        $found = ContaminationNote::query()->join('lots', 'lots.id', '=', 'contaminations.lot_id')
            ->where('lots.source_id', $source->id)
            ->selectRaw('sum(found_g) as found, sum(sample_g) as sample')
            ->toBase()
            ->first();
        $temperatures = array_filter(
            [$runs->low, $runs->high, ...$events->pluck('worked_at_c')->all()],
            static fn ($c): bool => $c !== null,
        );

        return new SourceDetailData(
            $this->present->source($source),
            array_values(
                $events->map(
                    static fn (SourceEvent $e): SourceEventData => new SourceEventData(
                        $e->kind,
                        $e->state,
                        $e->worked_at_c,
                        $e->run_id,
                        $e->picture_id,
                        $e->note,
                        $e->by->name,
                        Present::time($e->at),
                    ),
                )->all(),
            ),
            array_values($lots->map(fn (Lot $l) => $this->present->lot($l))->all()),
            array_map(
                static fn (Scale $s): string => $s->value,
                array_values(array_filter(Scale::cases(), static fn (Scale $s): bool => $s->allows($source->state))),
            ),
            $delivered, $used, (int) $runs->n, (int) $runs->bad, $runs->n > 0 ? 100 * $runs->bad / $runs->n : null,
            $found?->sample > 0 ? 100 * (float) $found->found / (float) $found->sample : null,
            $temperatures === [] ? null : (float) min($temperatures),
            $temperatures === [] ? null : (float) max($temperatures),
        );
    }

    /** @return object{n: int, bad: int, low: float|null, high: float|null} what runs of its lots came to */
    private function taught(Source $source): object
    {
        $ofSource = RunMaterial::query()->select('run_id')->whereIn(
            'lot_id',
            Lot::query()->select('id')->where('source_id', $source->id),
        );
        /** @var object{n: int, bad: int, low: float|null, high: float|null} */
        $runs = Run::query()->whereIn('id', $ofSource)
            ->whereNotNull('verdict')
            ->selectRaw(
                "count(*) as n, count(*) filter (where verdict = 'scrap') as bad, min(set_c) filter (where verdict = 'good') as low, max(set_c) filter (where verdict = 'good') as high",
            )->toBase()->first();

        return $runs;
    }
}
