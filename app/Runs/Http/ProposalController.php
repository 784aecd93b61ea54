<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Http\Requests\GetProposalsRequest;
use App\Runs\Queries\Proposals;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What to make next. */
final class ProposalController extends Controller
{
    #[OA\Get(
        path: '/proposals',
        operationId: 'getProposals',
        summary: 'What runs short, with when the first and all of it could be there, and what has to be done now',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'ProposalData')],
    )]
    public function __invoke(GetProposalsRequest $request, Proposals $proposals): JsonResponse
    {
        return $this->listed($proposals->of((float) $request->validated()['until']));
    }
}
