<?php

declare(strict_types=1);

namespace App\Causes\Http;

use App\Causes\Actions\SayToLesson;
use App\Causes\Http\Requests\SayToLessonRequest;
use App\Causes\Models\LessonSaid;
use App\Causes\Queries\LessonOf;
use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\Run;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What a run taught. */
final class LessonController extends Controller
{
    #[OA\Get(
        path: '/runs/{run}/lessons',
        operationId: 'getLessons',
        summary: 'What a run taught of the next set-up: one sentence, or none',
        tags: ['causes'],
        responses: [new Answer(200, 'ok', list: 'LessonData')],
    )]
    public function index(Run $run, LessonOf $lessons): JsonResponse
    {
        $this->authorize('viewAny', LessonSaid::class);

        return $this->listed(array_filter([$lessons->data($run)]));
    }

    #[OA\Post(
        path: '/runs/{run}/lessons',
        operationId: 'sayToLesson',
        summary: 'Take a run\'s lesson into the next set-up, or not; once for each run',
        tags: ['causes'],
        responses: [new Answer(201, 'said', list: 'LessonData')],
    )]
    public function store(SayToLessonRequest $request, Run $run, SayToLesson $say, LessonOf $lessons): JsonResponse
    {
        $given = $request->validated();
        $say($given['id'], $run, (bool) $given['taken'], $request->actor());

        return $this->listed(array_filter([$lessons->data($run)]), status: 201);
    }
}
