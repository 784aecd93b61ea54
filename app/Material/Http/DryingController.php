<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\DryLot;
use App\Material\Data\DryBoardData;
use App\Material\Data\DryingData;
use App\Material\Data\DryPlanData;
use App\Material\Http\Requests\EmptyDryerRequest;
use App\Material\Http\Requests\LoadDryerRequest;
use App\Material\Models\Drying;
use App\Material\Models\Lot;
use App\Material\Queries\PresentLot;
use App\Shop\Models\Machine;
use App\Shop\Queries\PresentShop;
use App\Support\Seconds;
use Carbon\CarbonImmutable;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Dryers as stations: what is in them, since when, ready when, and what was dried and takes up water again. */
final class DryingController extends Controller
{
    public function __construct(
        private readonly PresentShop $presentShop,
        private readonly PresentLot $presentLot,
        private readonly DryLot $dry,
    ) {
    }

    #[OA\Get(
        path: '/drying',
        operationId: 'getDryBoard',
        summary: 'The drying board',
        tags: ['drying'],
        responses: [new Answer(200, 'ok', 'DryBoardData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Drying::class);
        $in = Drying::query()->with(['machine', 'by', 'lot' => static fn ($q) => $q->withHeld()])
            ->whereNull('out_at')
            ->orderBy('ready_at')
            ->get();
        $standing = Lot::query()->withHeld()
            ->with(['source', 'reservedFor'])
            ->whereNotNull('dried_at')
            ->where('dried_at', '>', CarbonImmutable::now()->subDays(7))
            ->whereNotIn('id', $in->pluck('lot_id'))
            ->orderByDesc('dried_at')
            ->limit(30)
            ->get();

        return new JsonResponse(new DryBoardData(
            array_values(
                Machine::query()->where('kind', 'dryer')
                    ->orderBy('name')
                    ->get()
                    ->map(fn (Machine $m) => $this->presentShop->machine($m))
                    ->all(),
            ),
            array_values($in->map(fn (Drying $d): DryingData => $this->presentLot->drying($d))->all()),
            array_values($standing->map(fn (Lot $l) => $this->presentLot->lot($l))->all()),
            Seconds::now(),
        ));
    }

    #[OA\Post(
        path: '/drying',
        operationId: 'loadDryer',
        summary: 'Put a lot into a dryer, or see how long it would take',
        tags: ['drying'],
        responses: [new Answer(200, 'what it would take', 'DryPlanData'),
            new Answer(201, 'in the dryer', 'DryingData')],
    )]
    public function store(LoadDryerRequest $request): JsonResponse
    {
        if ($request->boolean('preview')) {
            return new JsonResponse(DryPlanData::of($this->dry->plan($request->safe())));
        }
        $drying = $this->dry->load($request->actor(), $request->safe());

        return new JsonResponse($this->presentLot->drying($drying), 201);
    }

    #[OA\Post(
        path: '/drying/{drying}/out',
        operationId: 'emptyDryer',
        summary: 'Take a lot out of the dryer',
        tags: ['drying'],
        responses: [new Answer(201, 'out', 'LotData')],
    )]
    public function out(EmptyDryerRequest $request, Drying $drying): JsonResponse
    {
        $rh = $request->filled('rh_pct') ? $request->float('rh_pct') : null;
        $lot = $this->dry->takeOut($drying, $request->actor(), $request->string('hopper')->value(), $rh);

        return new JsonResponse($this->presentLot->lot($lot), 201);
    }
}
