<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Actions\SayOfProcedure;
use App\Runs\Http\Requests\DecideProcedureRequest;
use App\Runs\Http\Requests\ProposeProcedureRequest;
use App\Runs\Models\ProcedureEntry;
use App\Runs\Queries\PresentProcedure;
use App\Support\Pdf;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** How the shop works: the procedures as they ship, and its own way of them. */
final class ProcedureController extends Controller
{
    public function __construct(private readonly PresentProcedure $present)
    {
    }

    #[OA\Get(
        path: '/procedures',
        operationId: 'getProcedures',
        summary: 'Every procedure of the house, as shipped and as the shop works it',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'ProcedureData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', ProcedureEntry::class);

        return $this->listed($this->present->all());
    }

    #[OA\Get(
        path: '/procedures/{key}',
        operationId: 'getProcedure',
        summary: 'One procedure with what is proposed, what was decided and what was noted at its steps',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'ProcedureData')],
    )]
    public function show(string $key): JsonResponse
    {
        $this->authorize('viewAny', ProcedureEntry::class);

        return new JsonResponse($this->present->of($this->shipped($key)));
    }

    #[OA\Get(
        path: '/procedures/{key}.pdf',
        operationId: 'printProcedure',
        summary: 'The wall sheet: how a procedure is worked, from its own data',
        tags: ['runs'],
        responses: [new Answer(200, 'the file')],
    )]
    public function sheet(string $key): Response
    {
        $this->authorize('viewAny', ProcedureEntry::class);
        $html = view('pdf.procedure', ['data' => $this->present->of($this->shipped($key))])->render();

        return new Response(Pdf::of($html), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => "inline; filename=\"{$key}.pdf\"",
        ]);
    }

    #[OA\Post(
        path: '/procedures/{key}/proposals',
        operationId: 'proposeProcedure',
        summary: 'Propose how a procedure should be worked, or see what it would be',
        tags: ['runs'],
        responses: [new Answer(200, 'a preview', 'ProcedureData'), new Answer(201, 'proposed', 'ProcedureData')],
    )]
    public function propose(ProposeProcedureRequest $request, SayOfProcedure $say, string $key): JsonResponse
    {
        $shipped = $this->shipped($key);
        $given = $request->validated();
        if ($given['preview'] ?? false) {
            return new JsonResponse($this->present->of($shipped, $given['changes']));
        }
        $say->propose(
            $given['id'],
            $shipped,
            $given['changes'],
            (int) $given['after'],
            $given['reason'],
            $given['runs'] ?? [],
            $request->actor(),
        );

        return new JsonResponse($this->present->of($shipped), 201);
    }

    #[OA\Post(
        path: '/procedures/{key}/proposals/{proposal}/decide',
        operationId: 'decideProcedure',
        summary: 'Approve a proposal, or turn it down',
        tags: ['runs'],
        responses: [new Answer(200, 'decided', 'ProcedureData')],
    )]
    public function decide(
        DecideProcedureRequest $request,
        SayOfProcedure $say,
        string $key,
        ProcedureEntry $proposal,
    ): JsonResponse {
        $shipped = $this->shipped($key);
        $given = $request->validated();
        $say->decide($shipped, $proposal, (bool) $given['approve'], $given['reason'] ?? '', $request->actor());

        return new JsonResponse($this->present->of($shipped));
    }

    /** @return array<array-key, mixed> */
    private function shipped(string $key): array
    {
        return $this->present->shipped()[$key] ?? abort(404);
    }
}
