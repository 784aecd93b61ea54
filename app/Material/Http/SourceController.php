<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Controller;
use App\Http\ListOf;
use App\Material\Data\SourceDetailData;
use App\Material\Data\SourceEventData;
use App\Material\Http\Requests\AddSourceRequest;
use App\Material\Http\Requests\TrustSourceRequest;
use App\Material\Models\Act;
use App\Material\Models\ContaminationNote;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Source;
use App\Material\Models\SourceEvent;
use App\Material\Support\Ledger;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Safety\Scale;
use Dithermic\Core\Safety\SourceState;
use Dithermic\Core\Stock\Trust;
use Illuminate\Http\JsonResponse;
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
            content: new ListOf('SourceData'),
        )],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Source::class);

        return $this->listed(
            Source::query()->orderBy('name')->get()->map(fn (Source $s) => $this->present->source($s)),
        );
    }

    #[OA\Post(
        path: '/sources',
        operationId: 'addSource',
        summary: 'A new source begins on trial',
        tags: ['sources'],
        responses: [new OA\Response(
            response: 201,
            description: 'added',
            content: new OA\JsonContent(ref: '#/components/schemas/SourceData'),
        )],
    )]
    public function store(AddSourceRequest $request): JsonResponse
    {
        $given = $request->validated();
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
        responses: [new OA\Response(
            response: 201,
            description: 'noted',
            content: new OA\JsonContent(ref: '#/components/schemas/SourceDetailData'),
        )],
    )]
    public function trust(TrustSourceRequest $request, Source $source, Ledger $ledger): JsonResponse
    {
        $given = $request->validated();
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
