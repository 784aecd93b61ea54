<?php

declare(strict_types=1);

namespace App\Causes\Http;

use App\Bench\Data\TaskData;
use App\Bench\Models\Task;
use App\Bench\Support\Tasks;
use App\Causes\Queries\MachineTaught;
use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Models\Machine;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** What the readings of ordinary runs say of a machine. */
final class MachineTaughtController extends Controller
{
    #[OA\Post(
        path: '/machines/{machine}/learnt',
        operationId: 'learnOfMachine',
        summary: 'Ask the readings of a machine\'s last runs what it really can do; done in the queue, its answer is MachineLearntData',
        tags: ['causes'],
        responses: [new Answer(202, 'it is being reckoned', 'TaskData')],
    )]
    public function __invoke(Request $request, Machine $machine, MachineTaught $taught, Tasks $tasks): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);
        if (! $taught->teaches($machine)) {
            throw new InputError('machine', "{$machine->name} is of a kind of which nothing is learnt from readings");
        }

        return new JsonResponse(
            TaskData::of($tasks->hand(Task::LEARN, ['machine_id' => $machine->id], $this->actor($request))),
            202,
        );
    }
}
