<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Actions\ChangeLot;
use App\Runs\Http\Requests\ChangeLotRequest;
use App\Runs\Models\Run;
use App\Runs\Queries\OtherLots;
use App\Runs\Queries\PresentRun;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The lots that a run is fed from. */
final class RunLotController extends Controller
{
    private const WHOLE = [...RunController::WHOLE, 'recipe'];

    #[OA\Get(
        path: '/runs/{run}/lots',
        operationId: 'getOtherLots',
        summary: 'Lots that a run under way could go over to, and what stops those that may not go in',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'OtherLotData')],
    )]
    public function index(Run $run, OtherLots $others): JsonResponse
    {
        $this->authorize('view', $run);

        return $this->listed($others->of($run->load(self::WHOLE)));
    }

    #[OA\Post(
        path: '/runs/{run}/lots',
        operationId: 'changeLot',
        summary: 'Go over to another lot, once per id: what is logged as loaded from now on comes off that one',
        tags: ['runs'],
        responses: [new Answer(200, 'the run', 'RunData')],
    )]
    public function store(ChangeLotRequest $request, Run $run, ChangeLot $change, PresentRun $present): JsonResponse
    {
        $change(
            $request->string('id')->lower()->value(),
            $request->actor(),
            $run->load(self::WHOLE),
            $request->integer('lot_id'),
        );

        return new JsonResponse($present->run($run->refresh()->load(self::WHOLE)));
    }
}
