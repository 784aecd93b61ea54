<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\People\Models\User;
use App\People\Support\KnownDevice;
use App\Runs\Actions\PlanRun;
use App\Runs\Actions\RecordEvents;
use App\Runs\Actions\StartRun;
use App\Runs\Data\AppendedData;
use App\Runs\Data\RefusedEventData;
use App\Runs\Http\Requests\AppendEventsRequest;
use App\Runs\Http\Requests\GetRunRequest;
use App\Runs\Http\Requests\GetRunsRequest;
use App\Runs\Http\Requests\StartRunRequest;
use App\Runs\Models\Run;
use App\Shop\Models\Product;
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
    #[OA\Get(path: '/runs', operationId: 'getRuns', summary: 'Runs, newest first', tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'RunSummaryData')])]
    public function index(GetRunsRequest $request): JsonResponse
    {
        $given = $request->validated();
        $some = static fn (string $verdict): string => "exists (select 1 from pieces p where p.run_id = runs.id and p.verdict = '{$verdict}')";
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
                static fn (Builder $q, string $v) => match ($v) {
                    'open' => $q->where('status', 'running'),
                    // A run of several pieces is good when all of them are.
                    'good' => $q->whereRaw("(verdict = 'good' or ({$some('good')} and not {$some('scrap')}))"),
                    default => $q->whereRaw("(verdict = 'scrap' or {$some('scrap')})"),
                },
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

        return $this->listed(
            $page->map(fn (Run $r) => $this->present->summary($r)),
            $more && $last !== null ? $last->started_at->format('U.v').'_'.$last->id : null,
        );
    }

    #[OA\Post(
        path: '/runs',
        operationId: 'startRun',
        summary: 'Start a run, once per id',
        tags: ['runs'],
        responses: [new Answer(201, 'started', 'RunData')],
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
        responses: [new Answer(200, 'ok', 'RunData')],
    )]
    public function show(GetRunRequest $request, Run $run): JsonResponse
    {
        $since = (int) ($request->validated()['since'] ?? 0);

        return new JsonResponse($this->present->run($run->load(self::WHOLE), $since));
    }

    #[OA\Post(
        path: '/runs/{run}/events',
        operationId: 'appendEvents',
        summary: 'Add entries to a run\'s log, each once',
        tags: ['runs'],
        responses: [new Answer(200, 'what became of each', 'AppendedData')],
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
