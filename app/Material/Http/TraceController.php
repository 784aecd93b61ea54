<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Models\Lot;
use App\Material\Queries\Provenance;
use App\Material\Queries\Recall;
use App\Runs\Models\Run;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** Both ways: from a sack to every run that has of it, and from a run to the sacks. */
final class TraceController extends Controller
{
    public function __construct(private readonly Recall $recall)
    {
    }

    #[OA\Get(
        path: '/lots/{lot}/trace',
        operationId: 'traceLot',
        summary: 'Where a lot went: lots and runs that have of it, with shares',
        tags: ['material'],
        responses: [new Answer(200, 'ok', 'TraceData')],
    )]
    public function lot(Lot $lot): JsonResponse
    {
        $this->authorize('view', $lot);

        return new JsonResponse($this->recall->forward($lot));
    }

    #[OA\Get(
        path: '/lots/{lot}/recall.csv',
        operationId: 'recallLot',
        summary: 'Runs that have of a lot, with shares and how sure that is',
        tags: ['material'],
        responses: [new Answer(200, 'the file')],
    )]
    public function csv(Lot $lot): Response
    {
        $this->authorize('view', $lot);

        return new Response($this->recall->csv($this->recall->forward($lot)), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"recall-{$lot->code}.csv\"",
        ]);
    }

    #[OA\Get(
        path: '/runs/{run}/trace',
        operationId: 'traceRun',
        summary: 'What a run is made of: lots and sources, with shares',
        tags: ['material'],
        responses: [new Answer(200, 'ok', 'TraceData')],
    )]
    public function run(Run $run): JsonResponse
    {
        $this->authorize('view', $run);

        return new JsonResponse($this->recall->back($run));
    }

    #[OA\Get(
        path: '/runs/{run}/prov.json',
        operationId: 'provenanceOfRun',
        summary: 'Where what a run made came from, as W3C PROV-JSON',
        tags: ['material'],
        responses: [new Answer(200, 'the file')],
    )]
    public function provenance(Run $run, Provenance $provenance): JsonResponse
    {
        $this->authorize('view', $run);

        return (new JsonResponse($provenance->of($run), 200, [
            'Content-Disposition' => "attachment; filename=\"run-{$run->number}.prov.json\"",
        ]))->setEncodingOptions(JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES);
    }
}
