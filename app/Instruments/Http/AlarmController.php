<?php

declare(strict_types=1);

namespace App\Instruments\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Instruments\Actions\AnswerAlarm;
use App\Instruments\Http\Requests\AnswerAlarmRequest;
use App\Instruments\Models\Alarm;
use App\Instruments\Queries\Alarms;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What instruments told that they should not have. */
final class AlarmController extends Controller
{
    public function __construct(private readonly Alarms $alarms)
    {
    }

    #[OA\Get(
        path: '/alarms',
        operationId: 'getAlarms',
        summary: 'Alarms that want somebody: they stand, or came and went unseen',
        tags: ['readings'],
        responses: [new Answer(200, 'ok', list: 'AlarmData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return $this->listed($this->alarms->open());
    }

    #[OA\Get(
        path: '/machines/{machine}/alarms',
        operationId: 'getMachineAlarms',
        summary: 'The newest alarms of a machine',
        tags: ['readings'],
        responses: [new Answer(200, 'ok', list: 'AlarmData')],
    )]
    public function ofMachine(Machine $machine): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return $this->listed($this->alarms->of($machine));
    }

    #[OA\Get(
        path: '/runs/{run}/alarms',
        operationId: 'getRunAlarms',
        summary: 'Alarms of the machines of a run while they were in it',
        tags: ['readings'],
        responses: [new Answer(200, 'ok', list: 'AlarmData')],
    )]
    public function ofRun(Run $run): JsonResponse
    {
        $this->authorize('view', $run);

        return $this->listed($this->alarms->ofRun($run->id));
    }

    #[OA\Post(
        path: '/alarms/{alarm}/answer',
        operationId: 'answerAlarm',
        summary: 'Somebody has seen an alarm and looks after it',
        tags: ['readings'],
        responses: [new Answer(200, 'kept', list: 'AlarmData')],
    )]
    public function answer(AnswerAlarmRequest $request, Alarm $alarm, AnswerAlarm $answer): JsonResponse
    {
        $answer($alarm, $request->actor(), $request->validated()['note'] ?? '');

        return $this->listed($this->alarms->open());
    }
}
