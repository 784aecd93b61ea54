<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\Run;
use App\Runs\Queries\PresentRun;
use App\Runs\Queries\RunRecord;
use App\Support\Pdf;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** A run's record in open formats; docs/formats says what is in each. */
final class RunExportController extends Controller
{
    #[OA\Get(
        path: '/runs/{run}.{format}',
        operationId: 'exportRun',
        summary: 'A run\'s record as json, csv or pdf',
        tags: ['runs'],
        responses: [new Answer(200, 'the file')],
    )]
    public function __invoke(Run $run, string $format, RunRecord $record, PresentRun $present): Response
    {
        $this->authorize('view', $run);
        $run->load(RunController::WHOLE);
        $name = "run-{$run->number}.{$format}";
        [$type, $body] = match ($format) {
            'json' => [
                'application/json',
                json_encode(
                    $record->json($run),
                    JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
                ),
            ],
            'csv' => ['text/csv; charset=utf-8', $record->csv($run)],
            default => [
                'application/pdf',
                Pdf::of(
                    view(
                        'pdf.run',
                        ['run' => $run, 'data' => $present->run($run), 'lines' => $record->lines($run)],
                    )->render(),
                ),
            ],
        };

        return new Response(
            $body,
            200,
            [
                'Content-Type' => $type,
                'Content-Disposition' => ($format === 'pdf' ? 'inline' : 'attachment')."; filename=\"{$name}\"",
            ],
        );
    }
}
