<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Http\Requests\GetRunLabelRequest;
use App\Runs\Models\Inspection;
use App\Runs\Models\Run;
use App\Runs\Models\RunMaterial;
use App\Support\Label;
use App\Support\ShopClock;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

/** The label of a sheet, a part or a box of them. */
final class RunLabelController extends Controller
{
    #[OA\Get(
        path: '/runs/{run}/label.{format}',
        operationId: 'runLabel',
        summary: 'The label of what a run made, or of one piece of it, as pdf or svg; scanned, it opens the record',
        tags: ['runs'],
        responses: [new Answer(200, 'the label')],
    )]
    public function __invoke(
        GetRunLabelRequest $request,
        Run $run,
        string $format,
        Label $label,
        ShopClock $clock,
    ): Response {
        $this->authorize('view', $run);
        $piece = $request->piece($run);
        $run->load(['product', 'materials.lot', 'stations.machine']);
        $checked = Inspection::query()->where(['run_id' => $run->id, 'piece' => $piece])->orderByDesc('id')->first();
        $svg = $label->ofPiece(
            $piece === null ? "r/{$run->number}" : "r/{$run->number}/{$piece}",
            self::code($run, $piece),
            $run->polymer,
            array_values($run->materials->map(static fn (RunMaterial $m): string => $m->lot->swatch)->unique()->all()),
            [
                $run->product->name,
                $piece === null ? "run {$run->number}" : "run {$run->number}, piece {$piece}",
                $clock->local($run->started_at)->format('Y-m-d').", {$run->mainMachine()->name}",
            ],
            $checked?->mass_g,
        );

        return $format === 'svg'
            ? new Response($svg, 200, ['Content-Type' => 'image/svg+xml'])
            : new Response($label->pdf($svg), 200, ['Content-Type' => 'application/pdf']);
    }

    private static function code(Run $run, ?int $piece): string
    {
        $code = sprintf('R-%04d', $run->number);

        return $piece === null ? $code : "{$code}-{$piece}";
    }
}
