<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Bench\Data\TaskData;
use App\Bench\Models\Task;
use App\Bench\Support\Tasks;
use App\Http\Answer;
use App\Http\Controller;
use App\Http\Upload;
use App\Material\Actions\ImportRows;
use App\Material\Http\Requests\ImportCsvRequest;
use App\Material\Models\Lot;
use App\Material\Models\LotMovement;
use App\Material\Models\Mix;
use App\Material\Models\Source;
use App\Runs\Actions\ImportProcedures;
use App\Runs\Queries\ProceduresAsRows;
use App\Shop\Actions\ImportFinishing;
use App\Shop\Actions\ImportOwnValues;
use App\Shop\Actions\ImportSetUps;
use App\Shop\Actions\ImportShop;
use App\Shop\Queries\ShopAsRows;
use App\Support\Csv;
use Dithermic\Core\Calculator\InputError;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use Illuminate\Http\UploadedFile;
use OpenApi\Attributes as OA;

/** Material, and the shop's own machines and products, as CSV, out and in; the columns are in docs/formats. */
final class TransferController extends Controller
{
    private const MOVEMENTS = 100_000;

    /** the shop's own, not its material */
    private const OWN = ['machines', 'products', 'values', 'procedures', 'setups', 'finishing'];

    /** about half a second's worth */
    private const ROWS_AT_ONCE = 1_000;

    #[OA\Get(
        path: '/transfer/{kind}.csv',
        operationId: 'exportCsv',
        summary: 'Sources, lots, movements, mixes, machines, products, set-ups, finishing, own values of polymers or own ways of procedures as CSV',
        tags: ['lots'],
        responses: [new Answer(200, 'the file')],
    )]
    public function export(string $kind, ShopAsRows $shop, ProceduresAsRows $procedures): Response
    {
        $this->authorize('viewAny', Lot::class);
        $own = match ($kind) {
            'machines' => $shop->machines(),
            'products' => $shop->products(),
            'values' => $shop->ownValues(),
            'procedures' => $procedures(),
            'setups' => $shop->setUps(),
            'finishing' => $shop->finishing(),
            default => null,
        };
        if ($own !== null) {
            return self::file($kind, Csv::write(...$own));
        }
        [$header, $rows] = match ($kind) {
            'sources' => [
                ['name', 'state', 'note'],
                Source::query()->orderBy('name')->get()->map(
                    static fn (Source $s): array => [$s->name, $s->state->value, $s->note],
                ),
            ],
            'lots' => [
                [
                    'code',
                    'source',
                    'polymer',
                    'form',
                    'colour',
                    'swatch',
                    'location',
                    'mass_g',
                    'tare_g',
                    'generation',
                    'reserved_for',
                ],
                Lot::query()->withHeld()->with(['source', 'reservedFor'])->orderBy('id')->get()->map(
                    static fn (Lot $l): array => [
                        $l->code,
                        $l->source->name,
                        $l->polymer,
                        $l->form,
                        $l->colour,
                        $l->swatch,
                        $l->location,
                        round((float) $l->held_g, 3),
                        $l->tare_g,
                        $l->generation,
                        $l->reservedFor?->name,
                    ],
                ),
            ],
            'movements' => [
                ['lot', 'at', 'kind', 'mass_g', 'reason', 'by', 'run', 'other_lot'],
                LotMovement::query()->with(['lot', 'by', 'run:id,number', 'otherLot'])
                    ->orderByDesc('id')
                    ->limit(self::MOVEMENTS)
                    ->get()
                    ->map(
                        static fn (LotMovement $m): array => [
                            $m->lot->code,
                            $m->at->toIso8601ZuluString(),
                            $m->kind->value,
                            (float) $m->mass_g,
                            $m->reason,
                            $m->by?->name,
                            $m->run?->number,
                            $m->otherLot?->code,
                        ],
                    ),
            ],
            default => [
                ['mix', 'version', 'polymer', 'component', 'swatch', 'parts', 'kind', 'note'],
                Mix::query()->orderBy('name')->orderBy('version')->get()->flatMap(
                    static fn (Mix $m): array => array_map(
                        static fn (array $c): array => [
                            $m->name,
                            $m->version,
                            $m->polymer,
                            $c['name'],
                            $c['swatch'],
                            $c['parts'],
                            $c['kind'],
                            $m->note,
                        ],
                        $m->components,
                    ),
                ),
            ],
        };

        return self::file($kind, Csv::write($header, array_values($rows->all())));
    }

    private static function file(string $kind, string $text): Response
    {
        return new Response($text, 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => "attachment; filename=\"{$kind}.csv\"",
        ]);
    }

    #[OA\Post(
        path: '/transfer/{kind}',
        operationId: 'importCsv',
        summary: 'Bring CSV in, all or nothing; with preview only say what it would do',
        tags: ['lots'],
        requestBody: new Upload(once: true),
        responses: [new OA\Response(
            response: 200,
            description: 'what it did or would do',
            content: new OA\JsonContent(
                required: ['rows', 'errors', 'would'],
                properties: [
                    new OA\Property(property: 'rows', type: 'integer'),
                    new OA\Property(
                        property: 'errors',
                        type: 'array',
                        items: new OA\Items(
                            type: 'object',
                            required: ['row', 'field', 'message'],
                            properties: [
                                new OA\Property(property: 'row', type: 'integer'),
                                new OA\Property(property: 'field', type: 'string'),
                                new OA\Property(property: 'message', type: 'string'),
                            ],
                        ),
                    ),
                    new OA\Property(property: 'would', type: 'array', items: new OA\Items(type: 'string')),
                ],
            ),
        )],
    )]
    public function import(
        ImportCsvRequest $request,
        string $kind,
        ImportRows $import,
        ImportShop $shop,
        ImportProcedures $procedures,
        ImportOwnValues $values,
        ImportSetUps $setUps,
        ImportFinishing $finishing,
        Tasks $tasks,
    ): JsonResponse {
        $given = $request->validated();
        $file = $request->file('file');
        if (! $file instanceof UploadedFile || ! $file->isValid() || $file->getSize() > Csv::MAX_BYTES) {
            throw new InputError('file', 'is required: a CSV file of at most 5 MB');
        }
        $text = (string) file_get_contents($file->getRealPath());
        $dry = (bool) ($given['preview'] ?? false);
        if (in_array($kind, self::OWN, true)) {
            if (substr_count($text, "\n") > self::ROWS_AT_ONCE) {
                throw new InputError('file', 'has more than '.self::ROWS_AT_ONCE.' rows: send it in parts');
            }
            $done = match ($kind) {
                'procedures' => $procedures($given['id'], $this->actor($request), $text, $dry),
                'values' => $values($given['id'], $this->actor($request), $text, $dry),
                'finishing' => $finishing($given['id'], $this->actor($request), $text, $dry),
                'setups' => $setUps($given['id'], $this->actor($request), $text, $dry),
                default => $shop($given['id'], $this->actor($request), $kind, $text, $dry),
            };

            return new JsonResponse($done, $done['errors'] === [] || $dry ? 200 : 422);
        }
        if (substr_count($text, "\n") > self::ROWS_AT_ONCE) {
            Csv::read($text, ImportRows::NEEDED[$kind]);
            $asked = ['id' => $given['id'], 'kind' => $kind, 'text' => $text, 'dry' => $dry];

            return new JsonResponse(
                TaskData::of($tasks->hand(Task::IMPORT, $asked, $this->actor($request), $dry ? null : $given['id'])),
                202,
            );
        }
        $done = $import($given['id'], $this->actor($request), $kind, $text, $dry);

        return new JsonResponse($done, $done['errors'] === [] || ($given['preview'] ?? false) ? 200 : 422);
    }
}
