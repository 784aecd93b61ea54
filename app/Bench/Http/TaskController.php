<?php

declare(strict_types=1);

namespace App\Bench\Http;

use App\Bench\Data\TaskData;
use App\Bench\Models\Task;
use App\Http\Answer;
use App\Http\Controller;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** How far the queue is with what somebody asked. */
final class TaskController extends Controller
{
    #[OA\Get(
        path: '/tasks/{task}',
        operationId: 'getTask',
        summary: 'How far a long calculation or import is, and its answer',
        tags: ['calc'],
        responses: [new Answer(200, 'ok', 'TaskData')],
    )]
    public function show(Task $task): JsonResponse
    {
        $this->authorize('view', $task);

        return (new JsonResponse)->setEncodingOptions(JSON_UNESCAPED_UNICODE | JSON_PRESERVE_ZERO_FRACTION)
            ->setData(TaskData::of($task));
    }
}
