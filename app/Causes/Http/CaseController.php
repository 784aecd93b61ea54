<?php

declare(strict_types=1);

namespace App\Causes\Http;

use App\Causes\Actions\WorkOnCase;
use App\Causes\Http\Requests\AddToCaseRequest;
use App\Causes\Http\Requests\OpenCaseRequest;
use App\Causes\Models\CaseOf;
use App\Causes\Queries\Cases;
use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\Run;
use Dithermic\Core\Diagnosis\CaseEntry;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What is behind a bad piece: one question at a time, one change at a time. */
final class CaseController extends Controller
{
    /** each is ranked anew */
    private const NEWEST = 6;

    public function __construct(private readonly Cases $cases)
    {
    }

    #[OA\Get(
        path: '/defects/{process}',
        operationId: 'getDefects',
        summary: 'What a part of a process can have wrong',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', list: 'DefectData')],
    )]
    public function defects(Processes $processes, string $process): JsonResponse
    {
        $this->authorize('viewAny', CaseOf::class);
        abort_unless($processes->has($process), 404);

        return $this->listed($this->cases->defects($processes->get($process)));
    }

    #[OA\Get(
        path: '/runs/{run}/cases',
        operationId: 'getCases',
        summary: 'Cases of a run\'s bad pieces, newest first',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', list: 'CaseData')],
    )]
    public function index(Run $run): JsonResponse
    {
        $this->authorize('viewAny', CaseOf::class);
        $cases = CaseOf::query()->where('run_id', $run->id)
            ->with(Cases::WITH)
            ->orderByDesc('at')
            ->limit(self::NEWEST)
            ->get();

        return $this->listed($cases->map($this->cases->of(...)));
    }

    #[OA\Post(
        path: '/runs/{run}/cases',
        operationId: 'openCase',
        summary: 'Look for the cause of a bad piece, once per id',
        tags: ['causes'],
        responses: [new Answer(201, 'opened', 'CaseData')],
    )]
    public function store(OpenCaseRequest $request, Run $run, WorkOnCase $work): JsonResponse
    {
        $given = $request->validated();
        $case = $work->open($given['id'], $run, $given['piece'] ?? null, $given['defects'], $request->actor());

        return new JsonResponse($this->cases->of($case->refresh()), 201);
    }

    #[OA\Get(
        path: '/cases/{case}',
        operationId: 'getCase',
        summary: 'A case: what is likeliest, what to ask next, what to change',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', 'CaseData')],
    )]
    public function show(CaseOf $case): JsonResponse
    {
        $this->authorize('viewAny', CaseOf::class);

        return new JsonResponse($this->cases->of($case));
    }

    #[OA\Post(
        path: '/cases/{case}/entries',
        operationId: 'addToCase',
        summary: 'Answer its question, say what was read, changed, or whether that was it',
        tags: ['causes'],
        responses: [new Answer(201, 'added', 'CaseData')],
    )]
    public function add(AddToCaseRequest $request, CaseOf $case, WorkOnCase $work): JsonResponse
    {
        $given = $request->validated();
        $work->add(
            $given['id'],
            $case,
            CaseEntry::from($given['kind']),
            (int) $given['after'],
            $request->said(),
            $request->actor(),
        );

        return new JsonResponse($this->cases->of($case->refresh()), 201);
    }
}
