<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\People\Support\KnownDevice;
use App\Runs\Actions\PlanRun;
use App\Runs\Actions\RecordEvents;
use App\Runs\Actions\StartRun;
use App\Runs\Actions\TakeStrip;
use App\Runs\Data\AppendedData;
use App\Runs\Data\RefusedEventData;
use App\Runs\Http\Requests\AppendEventsRequest;
use App\Runs\Http\Requests\GetRestartRequest;
use App\Runs\Http\Requests\GetRunRequest;
use App\Runs\Http\Requests\GetRunsRequest;
use App\Runs\Http\Requests\StartRunRequest;
use App\Runs\Http\Requests\TakeStripRequest;
use App\Runs\Models\Run;
use App\Runs\Queries\ChargesFor;
use App\Runs\Queries\PresentRun;
use App\Runs\Queries\Rack;
use App\Runs\Queries\Restarting;
use App\Runs\Queries\RunList;
use App\Support\ShopClock;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class RunController extends Controller
{
    public const WHOLE = [
        ...RunList::LISTED,
        'materials.lot.source',
        'outputs.lot',
        'charges',
        'events.by',
    ];

    /** what a rack is read from */
    private const FED = ['events.by', 'materials.lot', 'product', 'procedureVersion'];

    public function __construct(private readonly PresentRun $present)
    {
    }

    #[OA\Get(
        path: '/runs',
        operationId: 'getRuns',
        summary: 'Runs, newest first',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'RunSummaryData')],
    )]
    public function index(GetRunsRequest $request, RunList $list): JsonResponse
    {
        [$page, $next] = $list->page($request->validated());

        return $this->listed($page->map(fn (Run $r) => $this->present->summary($r)), $next);
    }

    #[OA\Get(
        path: '/runs/{run}/charges',
        operationId: 'getChargesFor',
        summary: 'Weighed charges that wait and may go into a run',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'ChargeData')],
    )]
    public function charges(Run $run, ChargesFor $charges): JsonResponse
    {
        $this->authorize('view', $run);

        return $this->listed($charges->of($run));
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
        $by = $request->actor();
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

    #[OA\Get(
        path: '/runs/{run}/rack',
        operationId: 'getRunRack',
        summary: 'Hot strips that a run cut or is fed with, oldest first, as they are now',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'RackStripData')],
    )]
    public function rack(Run $run, Rack $rack): JsonResponse
    {
        $this->authorize('view', $run);

        return $this->listed($rack->of($run->load(self::FED)));
    }

    #[OA\Post(
        path: '/runs/{run}/rack',
        operationId: 'takeStrip',
        summary: 'Take a strip off its rack and into this run, once per id: both logs say it, or neither',
        tags: ['runs'],
        responses: [new Answer(200, 'what waits still', list: 'RackStripData')],
    )]
    public function takeStrip(TakeStripRequest $request, Run $run, TakeStrip $take, Rack $rack): JsonResponse
    {
        $run->load(self::FED);
        $piece = $request->validated('piece');
        $take(
            $request->string('id')->lower()->value(),
            $request->actor(),
            $run,
            $request->integer('strip'),
            $piece === null ? null : (int) $piece,
        );

        return $this->listed($rack->of($run->load(self::FED)));
    }

    #[OA\Get(
        path: '/runs/{run}/restart',
        operationId: 'getRunRestart',
        summary: 'What an interrupted run\'s machine needs before it goes on',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'RestartData')],
    )]
    public function restart(GetRestartRequest $request, Run $run, Restarting $restarting): JsonResponse
    {
        $read = $request->validated('read_c');

        return new JsonResponse($restarting->of(
            $run->load(['events.by', 'stations.machine', 'product', 'procedureVersion']),
            is_numeric($read) ? (float) $read : null,
        ));
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
        $outcome = $record($run, $request->events($request->actor(), $device));

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
}
