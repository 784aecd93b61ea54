<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\ActOnLot;
use App\Material\Actions\DeliverLot;
use App\Material\Actions\MergeLots;
use App\Material\Data\MergeData;
use App\Material\Http\Requests\ActOnLotRequest;
use App\Material\Http\Requests\DeliverLotRequest;
use App\Material\Http\Requests\GetLotsRequest;
use App\Material\Http\Requests\MergeLotsRequest;
use App\Material\Models\Act;
use App\Material\Models\Lot;
use App\Material\Models\Source;
use App\Material\Queries\LotDetail;
use App\Material\Queries\LotHistory;
use App\Material\Queries\PresentLot;
use App\Material\Queries\Shelves;
use App\Support\Label;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Response;
use OpenApi\Attributes as OA;

final class LotController extends Controller
{
    public function __construct(private readonly PresentLot $present)
    {
    }

    #[OA\Get(
        path: '/lots',
        operationId: 'getLots',
        summary: 'Lots that hold something, by polymer; the next page begins after a lot',
        tags: ['lots'],
        responses: [new Answer(200, 'ok', list: 'LotData')],
    )]
    public function index(GetLotsRequest $request, Shelves $shelves): JsonResponse
    {
        $request->validated();
        $lots = $shelves->page(
            $request->string('polymer')->value(),
            $request->string('find')->value(),
            $request->integer('after'),
            $request->boolean('emptied'),
        );

        return $this->listed(
            $lots->map(fn (Lot $l) => $this->present->lot($l)),
            $lots->count() === Shelves::PAGE ? (string) $lots->last()?->id : null,
        );
    }

    #[OA\Get(
        path: '/lots/{lot}',
        operationId: 'getLot',
        summary: 'A lot, by number or code, with its ledger and where it came from and went',
        tags: ['lots'],
        responses: [new Answer(200, 'ok', 'LotDetailData')],
    )]
    public function show(string $lot, LotDetail $detail): JsonResponse
    {
        $found = $this->find($lot);
        $this->authorize('view', $found);

        return new JsonResponse($detail->of($found));
    }

    #[OA\Post(
        path: '/lots',
        operationId: 'deliverLot',
        summary: 'Take a delivery in as a new container',
        tags: ['lots'],
        responses: [new Answer(201, 'taken in', 'LotData')],
    )]
    public function store(DeliverLotRequest $request, DeliverLot $deliver): JsonResponse
    {
        $given = $request->validated();
        $what = array_diff_key($given, array_flip(['id', 'source_id', 'mass_g']));
        $act = $deliver(
            $given['id'],
            $this->actor($request),
            Source::query()->whereKey($given['source_id'])->firstOrFail(),
            ['generation' => $given['generation'] ?? 0, 'location' => $given['location'] ?? ''] + $what,
            (float) $given['mass_g'],
        );

        return new JsonResponse($this->touched($act)[0], 201);
    }

    #[OA\Post(
        path: '/lots/{lot}/acts',
        operationId: 'actOnLot',
        summary: 'Split, shred, count, waste, place, note contamination, identify, doubt, or put right a mass meant in kilograms',
        tags: ['lots'],
        responses: [new Answer(201, 'done; the lots it touched', list: 'LotData')],
    )]
    public function act(ActOnLotRequest $request, Lot $lot, ActOnLot $do): JsonResponse
    {
        $act = $do($request->lotAct(), $request->actor(), $lot->id, $request->safe());

        return $this->listed($this->touched($act, $lot->id), status: 201);
    }

    #[OA\Post(
        path: '/lots/merge',
        operationId: 'mergeLots',
        summary: 'Put lots of one polymer together, or see what that would do',
        tags: ['lots'],
        responses: [new Answer(200, 'what it would become', 'MergeData'),
            new Answer(201, 'done; the lots it touched', list: 'LotData')],
    )]
    public function merge(MergeLotsRequest $request, MergeLots $merge): JsonResponse
    {
        $given = $request->validated();
        /** @var list<array{id: int, mass_g: float}> $parts */
        $parts = array_values(array_map(
            static fn (array $p): array => ['id' => (int) $p['id'], 'mass_g' => (float) $p['mass_g']],
            $given['lots'],
        ));
        if ($request->boolean('preview')) {
            $m = $merge->preview($parts);

            return new JsonResponse(new MergeData(
                $m->mass_g,
                $m->polymer,
                $m->form,
                $m->colour,
                $m->swatch,
                $m->generation,
                $m->dry->value,
                $m->changes,
            ));
        }
        $act = $merge(
            $given['id'],
            $this->actor($request),
            $parts,
            [
                'location' => (string) ($given['location'] ?? ''),
                'tare_g' => isset($given['tare_g']) ? (float) $given['tare_g'] : null,
            ],
        );

        return $this->listed($this->touched($act), status: 201);
    }

    #[OA\Get(
        path: '/lots/{lot}/label.{format}',
        operationId: 'lotLabel',
        summary: 'The container\'s label as pdf or svg',
        tags: ['lots'],
        responses: [new Answer(200, 'the label')],
    )]
    public function label(string $lot, string $format, Label $label): Response
    {
        $found = $this->find($lot);
        $this->authorize('view', $found);
        $svg = $label->ofLot($this->present->lot($found));

        return $format === 'svg' ? new Response(
            $svg,
            200,
            ['Content-Type' => 'image/svg+xml', 'Content-Disposition' => "inline; filename=\"{$found->code}.svg\""],
        )
            : new Response(
                $label->pdf($svg),
                200,
                [
                    'Content-Type' => 'application/pdf',
                    'Content-Disposition' => "inline; filename=\"{$found->code}.pdf\"",
                ],
            );
    }

    #[OA\Get(
        path: '/lots/{lot}/history.json',
        operationId: 'lotHistory',
        summary: 'A lot\'s whole history; docs/formats/lot.schema.json',
        tags: ['lots'],
        responses: [new Answer(200, 'the file')],
    )]
    public function history(string $lot, LotHistory $history): Response
    {
        $found = $this->find($lot);
        $this->authorize('view', $found);

        return new Response(
            json_encode(
                $history->of($found),
                JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_THROW_ON_ERROR,
            ),
            200,
            [
                'Content-Type' => 'application/json',
                'Content-Disposition' => "attachment; filename=\"{$found->code}.json\"",
            ],
        );
    }

    private function find(string $lot): Lot
    {
        $query = Lot::query()->withHeld()->with(['source', 'reservedFor']);

        return ctype_digit($lot) && strlen($lot) < 10
            ? $query->findOrFail((int) $lot)
            : $query->where('code', mb_strtoupper($lot))->firstOrFail();
    }

    /** @return list<\App\Material\Data\LotData> the lots an act touched, the newest first */
    private function touched(Act $act, ?int $also = null): array
    {
        $ids = $act->movements()->pluck('lot_id')->push(...array_filter([$also]))->unique();

        return array_values(
            Lot::query()->withHeld()
                ->with(['source', 'reservedFor'])
                ->whereKey($ids)
                ->orderByDesc('id')
                ->get()
                ->map(fn (Lot $l) => $this->present->lot($l))
                ->all(),
        );
    }
}
