<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\DeliverLot;
use App\Actions\MergeLots;
use App\Actions\NoteLot;
use App\Actions\PartLot;
use App\Data\ContaminationData;
use App\Data\LotDetailData;
use App\Data\LotLinkData;
use App\Data\MergeData;
use App\Data\MovementData;
use App\Models\Act;
use App\Models\ContaminationNote;
use App\Models\Lot;
use App\Models\LotMovement;
use App\Models\Source;
use App\Support\Label;
use App\Support\LotHistory;
use App\Support\Present;
use Dithermic\Core\Material\PolymerLibrary;
use Dithermic\Core\Stock\Contamination;
use Dithermic\Core\Stock\PutRight;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Facades\DB;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

final class LotController extends Controller
{
    private const NEWEST = 100;

    private const PAGE = 200;

    private const MASS = ['required', 'numeric', 'gt:0', 'max:1000000000'];

    public function __construct(private readonly Present $present)
    {
    }

    #[OA\Get(
        path: '/lots',
        operationId: 'getLots',
        summary: 'Lots on the shelves, by polymer; the next page begins after a lot',
        tags: ['lots'],
        parameters: [
            new OA\Parameter(name: 'after', in: 'query', schema: new OA\Schema(type: 'integer')),
            new OA\Parameter(name: 'polymer', in: 'query', schema: new OA\Schema(type: 'string')),
            new OA\Parameter(name: 'find', in: 'query', schema: new OA\Schema(type: 'string')),
        ],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotData')),
        )],
    )]
    public function index(Request $request): JsonResponse
    {
        $this->authorize('viewAny', Lot::class);
        $request->validate([
            'polymer' => ['nullable', 'string', 'max:20'],
            'find' => ['nullable', 'string', 'max:100'],
            'after' => ['nullable', 'integer', 'between:1,9000000000000000'],
        ]);
        $query = Lot::query()->withHeld()
            ->with(['source', 'reservedFor'])
            ->orderBy('polymer')
            ->orderBy('id')
            ->limit(self::PAGE);
        if ($request->filled('polymer')) {
            $query->where('polymer', $request->string('polymer'));
        }
        if ($request->filled('find')) {
            $like = '%'.addcslashes((string) $request->string('find'), '%_\\').'%';
            $query->where(
                static fn ($q) => $q->where('code', 'ilike', $like)
                    ->orWhere('colour', 'ilike', $like)
                    ->orWhere('location', 'ilike', $like)
                    ->orWhere('polymer', 'ilike', $like)
                    ->orWhereHas('source', static fn ($s) => $s->where('name', 'ilike', $like)),
            );
        }
        if ($request->filled('after')) {
            $last = Lot::query()->findOrFail($request->integer('after'));
            $query->whereRaw('(polymer, id) > (?, ?)', [$last->polymer, $last->id]);
        }

        return new JsonResponse($query->get()->map(fn (Lot $l) => $this->present->lot($l)));
    }

    #[OA\Get(
        path: '/lots/{lot}',
        operationId: 'getLot',
        summary: 'A lot, by number or code, with its ledger and where it came from and went',
        tags: ['lots'],
        parameters: [new OA\Parameter(name: 'lot', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/LotDetailData'),
        )],
    )]
    public function show(string $lot, PolymerLibrary $polymers): JsonResponse
    {
        $found = $this->find($lot);
        $this->authorize('view', $found);
        $balance = (float) $found->held_g;
        $lines = [];
        $righting = $found->movements()->where('kind', LotMovement::PUT_RIGHT)->select('act_id');
        $righted = array_flip(array_map(
            static fn (Act $a): string => (string) $a->data['act_id'],
            Act::query()->whereIn('id', $righting)->get()->all(),
        ));
        foreach ($found->movements()->with([
            'by',
            'run',
            'otherLot',
        ])->orderByDesc('id')->limit(self::NEWEST)->get() as $m) {
            $lines[] = new MovementData(
                $m->id,
                (float) $m->mass_g,
                $m->kind,
                $m->reason,
                $m->run_id,
                $m->run?->number,
                $m->by?->name,
                Present::time($m->at),
                round($balance, 3),
                $m->other_lot_id,
                $m->otherLot?->code,
                $m->charge_id,
                $m->act_id,
                PutRight::offers($m->kind, (float) $m->mass_g) && ! isset($righted[$m->act_id]),
            );
            $balance -= (float) $m->mass_g;
        }
        $contamination = array_values(ContaminationNote::query()->with('by')
            ->where('lot_id', $found->id)
            ->orderByDesc('at')
            ->limit(20)
            ->get()
            ->map(static function (ContaminationNote $n) use ($polymers, $found): ContaminationData {
                $judged = new Contamination($polymers, $found->polymer, $n->found, $n->found_g, $n->sample_g);

                return new ContaminationData(
                    $n->found,
                    $n->found_g,
                    $n->sample_g,
                    $judged->share_pct,
                    $judged->allowed_pct,
                    $judged->verdict,
                    $judged->because,
                    $n->note,
                    $n->by->name,
                    Present::time($n->at),
                );
            })->all());

        return new JsonResponse(new LotDetailData(
            $this->present->lot($found),
            $lines,
            $this->links($found, '>'),
            $this->links($found, '<'),
            $contamination,
        ));
    }

    /** @return list<LotLinkData> */
    private function links(Lot $lot, string $sign): array
    {
        return array_values(LotMovement::query()->with('otherLot')
            ->where('lot_id', $lot->id)
            ->whereNotNull('other_lot_id')
            ->where('mass_g', $sign, 0)
            ->orderBy('id')
            ->limit(50)
            ->get()
            ->map(
                static fn (LotMovement $m): LotLinkData => new LotLinkData(
                    (int) $m->other_lot_id,
                    (string) $m->otherLot?->code,
                    (string) $m->otherLot?->polymer,
                    (string) $m->otherLot?->swatch,
                    $m->kind,
                    abs((float) $m->mass_g),
                    Present::time($m->at),
                ),
            )->all());
    }

    #[OA\Post(
        path: '/lots',
        operationId: 'deliverLot',
        summary: 'Take a delivery in as a new container',
        tags: ['lots'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(ref: '#/components/schemas/DeliverLotRequest'),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'taken in',
            content: new OA\JsonContent(ref: '#/components/schemas/LotData'),
        )],
    )]
    public function store(Request $request, DeliverLot $deliver): JsonResponse
    {
        $this->authorize('create', Lot::class);
        $given = $request->validate([
            'id' => ['required', 'uuid'],
            'source_id' => ['required', 'integer', 'exists:sources,id'],
            'polymer' => ['required', 'string', 'max:20'],
            'form' => ['required', Rule::in(Lot::FORMS)],
            'colour' => ['required', 'string', 'max:60'],
            'swatch' => ['required', 'regex:/^#[0-9a-fA-F]{6}$/'],
            'location' => ['nullable', 'string', 'max:60'],
            'mass_g' => self::MASS,
            'generation' => ['nullable', 'integer', 'min:0', 'max:20'],
            'tare_g' => ['nullable', 'numeric', 'min:0', 'max:1000000'],
            'reserved_for_id' => ['nullable', 'integer', 'exists:products,id'],
            'picture_id' => ['nullable', 'uuid', 'exists:pictures,id'],
            'sheet' => ['nullable', 'array:length_mm,width_mm,thickness_mm,film_side,finish'],
            'sheet.length_mm' => ['required_with:sheet', 'numeric', 'gt:0', 'max:10000'],
            'sheet.width_mm' => ['required_with:sheet', 'numeric', 'gt:0', 'max:10000'],
            'sheet.thickness_mm' => ['required_with:sheet', 'numeric', 'gt:0', 'max:200'],
            'sheet.film_side' => ['nullable', Rule::in(['none', 'good side', 'both'])],
            'sheet.finish' => ['nullable', 'string', 'max:40'],
        ]);
        $what = array_diff_key($given, array_flip(['id', 'source_id', 'mass_g']));
        $act = $deliver(
            $given['id'],
            $this->actor($request),
            Source::query()->whereKey($given['source_id'])->firstOrFail(),
            ['generation' => $given['generation'] ?? 0, 'location' => $given['location'] ?? ''] + $what,
            (float) $given['mass_g'],
        );

        return new JsonResponse($this->touched($act)[0], 201);
    }

    #[OA\Post(
        path: '/lots/{lot}/acts',
        operationId: 'actOnLot',
        summary: 'Split, shred, count, waste, place, note contamination, identify, doubt, or put right a mass meant in kilograms',
        tags: ['lots'],
        parameters: [new OA\Parameter(name: 'lot', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(ref: '#/components/schemas/LotActRequest'),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'done; the lots it touched',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotData')),
        )],
    )]
    public function act(Request $request, Lot $lot, PartLot $part, NoteLot $note): JsonResponse
    {
        $this->authorize('update', $lot);
        $by = $this->actor($request);
        $kind = $request->validate([
            'id' => ['required', 'uuid'],
            'kind' => [
                'required',
                Rule::in([
                    'split',
                    'shred',
                    'count',
                    'waste',
                    'place',
                    'contamination',
                    'identify',
                    'put_right',
                    'doubt',
                ]),
            ],
        ])['kind'];
        $container = [
            'location' => ['nullable', 'string', 'max:60'],
            'tare_g' => ['nullable', 'numeric', 'min:0', 'max:1000000'],
        ];
        $rules = match ($kind) {
            'split' => ['mass_g' => self::MASS] + $container,
            'shred' => ['mass_in_g' => self::MASS, 'mass_out_g' => self::MASS] + $container,
            'count' => [
                'weighed_g' => ['required', 'numeric', 'min:0', 'max:1000000000'],
                'reason' => ['nullable', 'string', 'max:500'],
            ],
            'waste' => ['mass_g' => self::MASS, 'reason' => ['required', 'string', 'max:500']],
            'place' => [
                'from' => ['present', 'nullable', 'string', 'max:60'],
                'reserved_for_id' => ['nullable', 'integer', 'exists:products,id'],
            ] + $container,
            'contamination' => [
                'found' => ['required', 'string', 'max:30'],
                'found_g' => ['required', 'numeric', 'min:0', 'max:1000000'],
                'sample_g' => ['required', 'numeric', 'gt:0', 'max:1000000'],
                'note' => ['nullable', 'string', 'max:500'],
            ],
            'put_right' => ['act_id' => ['required', 'uuid']],
            'doubt' => ['reason' => ['required', 'string', 'max:500']],
            default => ['identification_id' => ['required', 'uuid']],
        };
        $given = $request->validate($rules);
        $id = (string) $request->string('id');
        $into = [
            'location' => (string) ($given['location'] ?? ''),
            'tare_g' => isset($given['tare_g']) ? (float) $given['tare_g'] : null,
        ];
        $act = match ($kind) {
            'split' => $part->split($id, $by, $lot->id, (float) $given['mass_g'], $into),
            'shred' => $part->shred(
                $id,
                $by,
                $lot->id,
                (float) $given['mass_in_g'],
                (float) $given['mass_out_g'],
                $into,
            ),
            'count' => $note->count($id, $by, $lot->id, (float) $given['weighed_g'], (string) ($given['reason'] ?? '')),
            'waste' => $note->waste($id, $by, $lot->id, (float) $given['mass_g'], (string) $given['reason']),
            'place' => $note->place(
                $id,
                $by,
                $lot->id,
                (string) ($given['from'] ?? ''),
                $into + [
                    'reserved_for_id' => isset($given['reserved_for_id']) ? (int) $given['reserved_for_id'] : null,
                ],
            ),
            'contamination' => $note->contamination(
                $id,
                $by,
                $lot->id,
                (string) $given['found'],
                (float) $given['found_g'],
                (float) $given['sample_g'],
                (string) ($given['note'] ?? ''),
            ),
            'put_right' => $note->putRight($id, $by, (string) $given['act_id']),
            'doubt' => $note->doubt($id, $by, $lot->id, (string) $given['reason']),
            default => $note->identify($id, $by, $lot->id, (string) $given['identification_id']),
        };

        return new JsonResponse($this->touched($act, $lot->id), 201);
    }

    #[OA\Post(
        path: '/lots/merge',
        operationId: 'mergeLots',
        summary: 'Put lots of one polymer together, or see what that would do',
        tags: ['lots'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(ref: '#/components/schemas/MergeLotsRequest'),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'what it would become',
                content: new OA\JsonContent(ref: '#/components/schemas/MergeData'),
            ),
            new OA\Response(
                response: 201,
                description: 'done; the lots it touched',
                content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/LotData')),
            ),
        ],
    )]
    public function merge(Request $request, MergeLots $merge): JsonResponse
    {
        $this->authorize('create', Lot::class);
        $given = $request->validate([
            'id' => ['required_unless:preview,true', 'uuid'],
            'preview' => ['nullable', 'boolean'],
            'lots' => ['required', 'array', 'min:2', 'max:12'],
            'lots.*.id' => ['required', 'integer', 'distinct'],
            'lots.*.mass_g' => self::MASS,
            'location' => ['nullable', 'string', 'max:60'],
            'tare_g' => ['nullable', 'numeric', 'min:0', 'max:1000000'],
        ]);
        /** @var list<array{id: int, mass_g: float}> $parts */
        $parts = array_values(array_map(
            static fn (array $p): array => ['id' => (int) $p['id'], 'mass_g' => (float) $p['mass_g']],
            $given['lots'],
        ));
        if ($request->boolean('preview')) {
            $m = DB::transaction(static fn () => $merge->preview($parts));

            return new JsonResponse(new MergeData(
                $m->mass_g,
                $m->polymer,
                $m->form,
                $m->colour,
                $m->swatch,
                $m->generation,
                $m->dry->value,
                $m->changes,
            ));
        }
        $act = $merge(
            $given['id'],
            $this->actor($request),
            $parts,
            [
                'location' => (string) ($given['location'] ?? ''),
                'tare_g' => isset($given['tare_g']) ? (float) $given['tare_g'] : null,
            ],
        );

        return new JsonResponse($this->touched($act), 201);
    }

    #[OA\Get(
        path: '/lots/{lot}/label.{format}',
        operationId: 'lotLabel',
        summary: 'The container\'s label as pdf or svg',
        tags: ['lots'],
        parameters: [
            new OA\Parameter(name: 'lot', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(
                name: 'format',
                in: 'path',
                required: true,
                schema: new OA\Schema(type: 'string', enum: ['pdf', 'svg']),
            ),
        ],
        responses: [new OA\Response(response: 200, description: 'the label')],
    )]
    public function label(string $lot, string $format, Label $label): Response
    {
        $found = $this->find($lot);
        $this->authorize('view', $found);
        $svg = $label->ofLot($this->present->lot($found));

        return $format === 'svg' ? new Response(
            $svg,
            200,
            ['Content-Type' => 'image/svg+xml', 'Content-Disposition' => "inline; filename=\"{$found->code}.svg\""],
        )
            : new Response(
                $label->pdf($svg),
                200,
                [
                    'Content-Type' => 'application/pdf',
                    'Content-Disposition' => "inline; filename=\"{$found->code}.pdf\"",
                ],
            );
    }

    #[OA\Get(
        path: '/lots/{lot}/history.json',
        operationId: 'lotHistory',
        summary: 'A lot\'s whole history; docs/formats/lot.schema.json',
        tags: ['lots'],
        parameters: [new OA\Parameter(name: 'lot', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        responses: [new OA\Response(response: 200, description: 'the file')],
    )]
    public function history(string $lot, LotHistory $history): Response
    {
        $found = $this->find($lot);
        $this->authorize('view', $found);

        return new Response(
            json_encode(
                $history->of($found),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
            ),
            200,
            [
                'Content-Type' => 'application/json',
                'Content-Disposition' => "attachment; filename=\"{$found->code}.json\"",
            ],
        );
    }

    private function find(string $lot): Lot
    {
        $query = Lot::query()->withHeld()->with(['source', 'reservedFor']);

        return ctype_digit($lot) && strlen($lot) < 10
            ? $query->findOrFail((int) $lot)
            : $query->where('code', mb_strtoupper($lot))->firstOrFail();
    }

    /** @return list<\App\Data\LotData> the lots an act touched, the newest first */
    private function touched(Act $act, ?int $also = null): array
    {
        $ids = $act->movements()->pluck('lot_id')->push(...array_filter([$also]))->unique();

        return array_values(
            Lot::query()->withHeld()
                ->with(['source', 'reservedFor'])
                ->whereKey($ids)
                ->orderByDesc('id')
                ->get()
                ->map(fn (Lot $l) => $this->present->lot($l))
                ->all(),
        );
    }
}
