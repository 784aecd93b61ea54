<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Actions\WorkOnChange;
use App\Runs\Http\Requests\AddToChangeRequest;
use App\Runs\Http\Requests\BeginChangeRequest;
use App\Runs\Models\JobChange;
use App\Runs\Queries\PresentChange;
use Dithermic\Core\Process\Change\ChangeEntry;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** From one job to the next on a machine. */
final class ChangeController extends Controller
{
    public function __construct(private readonly PresentChange $present)
    {
    }

    #[OA\Get(
        path: '/changes',
        operationId: 'getChanges',
        summary: 'Job changes under way, the newest first',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'ChangeData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', JobChange::class);
        // One for each machine at most.
        $changes = JobChange::query()->with(PresentChange::WITH)->whereNull('ended_at')->orderByDesc('at')->get();

        return $this->listed($changes->map($this->present->of(...)));
    }

    #[OA\Get(
        path: '/changes/{change}',
        operationId: 'getChange',
        summary: 'A job change, as it stands and as it will go',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'ChangeData')],
    )]
    public function show(JobChange $change): JsonResponse
    {
        $this->authorize('view', $change);

        return new JsonResponse($this->present->of($change));
    }

    #[OA\Post(
        path: '/changes',
        operationId: 'beginChange',
        summary: 'Begin to change a machine over to another job, once per id',
        tags: ['runs'],
        responses: [new Answer(201, 'begun', 'ChangeData')],
    )]
    public function store(BeginChangeRequest $request, Processes $processes, WorkOnChange $work): JsonResponse
    {
        $given = $request->validated();
        $change = $work->begin(
            mb_strtolower($given['id']),
            $request->order($processes),
            (int) ($given['people'] ?? 1),
            isset($given['heat_c']) ? (float) $given['heat_c'] : null,
            $request->actor(),
        );

        return new JsonResponse($this->present->of($change->refresh()), 201);
    }

    #[OA\Post(
        path: '/changes/{change}/entries',
        operationId: 'addToChange',
        summary: 'Say what was done, read or seen of a change, once per id',
        tags: ['runs'],
        responses: [new Answer(201, 'kept', 'ChangeData')],
    )]
    public function add(AddToChangeRequest $request, JobChange $change, WorkOnChange $work): JsonResponse
    {
        $given = $request->validated();
        $work->add(
            $given['id'],
            $change,
            ChangeEntry::from($given['kind']),
            (int) $given['after'],
            $request->said(),
            isset($given['at']) ? (float) $given['at'] : null,
            $request->actor(),
        );

        return new JsonResponse($this->present->of($change->refresh()), 201);
    }
}
