<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\PlanRun;
use App\Actions\RecordEvents;
use App\Actions\StartRun;
use App\Data\AppendedData;
use App\Data\RefusedEventData;
use App\Data\RunPageData;
use App\Http\Requests\AppendEventsRequest;
use App\Http\Requests\StartRunRequest;
use App\Models\Product;
use App\Models\Run;
use App\Models\User;
use App\Support\KnownDevice;
use App\Support\Present;
use App\Support\ShopClock;
use Dithermic\Core\Process\Processes;
use Illuminate\Database\Eloquent\Builder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

final class RunController extends Controller
{
    private const PAGE = 50;

    /** what a line of the list needs */
    public const LISTED = ['product', 'stations.machine', 'materials.lot', 'starter', 'inspection', 'procedureVersion'];

    public const WHOLE = [
        ...self::LISTED,
        'materials.lot.source',
        'outputs.lot',
        'charges',
        'events.by',
    ];

    public function __construct(private readonly Present $present)
    {
    }

    /** Keyset pages by (started_at, id), newest first: as fast on the last page as on the first. */
    #[OA\Get(path: '/runs', operationId: 'getRuns', summary: 'Runs, newest first', tags: ['runs'], parameters: [
        new OA\Parameter(name: 'after', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(name: 'product_id', in: 'query', schema: new OA\Schema(type: 'integer')),
        new OA\Parameter(name: 'process', in: 'query', schema: new OA\Schema(type: 'string')),
        new OA\Parameter(
            name: 'verdict',
            in: 'query',
            schema: new OA\Schema(type: 'string', enum: ['good', 'scrap', 'open']),
        ),
    ],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/RunPageData'),
        )])]
    public function index(Request $request): JsonResponse
    {
        $this->authorize('viewAny', Run::class);
        $given = $request->validate([
            'after' => [
                'nullable',
                'string',
                'regex:/^\d{1,10}(\.\d{1,6})?_[0-9a-f]{8}(-[0-9a-f]{4}){3}-[0-9a-f]{12}$/',
            ],
            'product_id' => ['nullable', 'integer', 'between:1,9000000000000000'],
            'verdict' => ['nullable', 'in:good,scrap,open'],
            'process' => ['nullable', 'string', 'max:30'],
        ]);
        $runs = Run::query()->counted()->with(self::LISTED)
            ->select([
                'id',
                'number',
                'product_id',
                'procedure_id',
                'polymer',
                'started_by',
                'plan',
                'status',
                'step',
                'verdict',
                'scrap_reason',
                'set_c',
                'started_at',
                'ended_at',
            ])
            ->when($given['process'] ?? null, static fn (Builder $q, string $process) => $q->whereIn(
                'product_id',
                Product::query()->select('id')->where('process', $process),
            ))
            ->when($given['product_id'] ?? null, static fn (Builder $q, $id) => $q->where('product_id', $id))
            ->when(
                $given['verdict'] ?? null,
                static fn (Builder $q, string $v) => $v === 'open'
                    ? $q->where('status', 'running')
                    : $q->where('verdict', $v),
            )
            ->when($given['after'] ?? null, static function (Builder $q, string $after): void {
                [$at, $id] = explode('_', $after, 2);
                $q->whereRaw(
                    '(started_at, id) < (?, ?)',
                    [RecordEvents::moment((float) $at)->format('Y-m-d H:i:s.vP'), $id],
                );
            })
            ->orderByDesc('started_at')->orderByDesc('id')->limit(self::PAGE + 1)->get();
        $more = $runs->count() > self::PAGE;
        $page = $runs->take(self::PAGE);
        $last = $page->last();

        return new JsonResponse(new RunPageData(
            array_values($page->map(fn (Run $r) => $this->present->summary($r))->all()),
            $more && $last !== null ? $last->started_at->format('U.v').'_'.$last->id : null,
        ));
    }

    #[OA\Post(
        path: '/runs',
        operationId: 'startRun',
        summary: 'Start a run, once per id',
        tags: ['runs'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(ref: '#/components/schemas/StartRunRequest'),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'started',
            content: new OA\JsonContent(ref: '#/components/schemas/RunData'),
        )],
    )]
    public function store(
        StartRunRequest $request,
        PlanRun $plan,
        StartRun $start,
        ShopClock $clock,
        Processes $processes,
    ): JsonResponse {
        $by = $this->person($request);
        $request->mustBeConfirmedBy($by);
        $order = $request->order($processes);
        $run = $start(
            $request->string('id')->lower()->value(),
            $by,
            $order,
            $plan($order),
            $request->overrides(),
            $clock->moment(),
        );

        return new JsonResponse($this->present->run($run->refresh()->load(self::WHOLE)), 201);
    }

    #[OA\Get(
        path: '/runs/{run}',
        operationId: 'getRun',
        summary: 'A run, whole, or what is new of it since an entry',
        tags: ['runs'],
        parameters: [
            new OA\Parameter(name: 'run', in: 'path', required: true, schema: new OA\Schema(type: 'string')),
            new OA\Parameter(
                name: 'since',
                description: 'number of the newest entry that is known',
                in: 'query',
                schema: new OA\Schema(type: 'integer', minimum: 0),
            ),
        ],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/RunData'),
        )],
    )]
    public function show(Request $request, Run $run): JsonResponse
    {
        $this->authorize('view', $run);
        $since = (int) ($request->validate(['since' => AppendEventsRequest::SINCE])['since'] ?? 0);

        return new JsonResponse($this->present->run($run->load(self::WHOLE), $since));
    }

    #[OA\Post(
        path: '/runs/{run}/events',
        operationId: 'appendEvents',
        summary: 'Add entries to a run\'s log, each once',
        tags: ['runs'],
        parameters: [new OA\Parameter(name: 'run', in: 'path', required: true, schema: new OA\Schema(type: 'string'))],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['events'],
                properties: [
                    new OA\Property(
                        property: 'events',
                        type: 'array',
                        items: new OA\Items(ref: '#/components/schemas/NewEvent'),
                    ),
                    new OA\Property(
                        property: 'since',
                        description: 'number of the newest entry that is known: the answer has what is new',
                        type: 'integer',
                        minimum: 0,
                    ),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 200,
            description: 'what became of each',
            content: new OA\JsonContent(ref: '#/components/schemas/AppendedData'),
        )],
    )]
    public function append(
        AppendEventsRequest $request,
        Run $run,
        RecordEvents $record,
        KnownDevice $device,
    ): JsonResponse {
        $outcome = $record($run, $request->events($this->person($request), $device));

        return new JsonResponse(new AppendedData(
            $outcome['stored'],
            array_map(
                static fn (array $r): RefusedEventData => new RefusedEventData(
                    $r['key'],
                    $r['error']->field,
                    $r['error']->getMessage(),
                ),
                $outcome['refused'],
            ),
            $this->present->run($run->loadMissing(self::WHOLE), (int) $request->validated('since', 0)),
        ));
    }

    private function person(Request $request): User
    {
        $user = $request->user();
        assert($user instanceof User);

        return $user;
    }
}
