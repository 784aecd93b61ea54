<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Data\DryBoardData;
use App\Data\DryingData;
use App\Data\DryPlanData;
use App\Models\Act;
use App\Models\Drying;
use App\Models\Lot;
use App\Models\Machine;
use App\Support\Ledger;
use App\Support\Present;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Registry;
use Dithermic\Core\Drying\DryerAir;
use Dithermic\Core\Drying\PlanResult;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Validation\Rule;
use OpenApi\Attributes as OA;

/** Dryers as stations: what is in them, since when, ready when, and what was dried and takes up water again. */
final class DryingController extends Controller
{
    public function __construct(
        private readonly Present $present,
        private readonly Registry $calculations,
        private readonly Ledger $ledger,
    ) {
    }

    #[OA\Get(
        path: '/drying',
        operationId: 'getDryBoard',
        summary: 'The drying board',
        tags: ['drying'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/DryBoardData'),
        )],
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
                    ->map(fn (Machine $m) => $this->present->machine($m))
                    ->all(),
            ),
            array_values($in->map(fn (Drying $d): DryingData => $this->present->drying($d))->all()),
            array_values($standing->map(fn (Lot $l) => $this->present->lot($l))->all()),
            Present::now(),
        ));
    }

    #[OA\Post(
        path: '/drying',
        operationId: 'loadDryer',
        summary: 'Put a lot into a dryer, or see how long it would take',
        tags: ['drying'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['lot_id'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'preview', type: 'boolean'),
                    new OA\Property(property: 'machine_id', type: 'integer'),
                    new OA\Property(property: 'lot_id', type: 'integer'),
                    new OA\Property(property: 'air_c', type: 'number', nullable: true),
                    new OA\Property(property: 'wanted_at', type: 'number', nullable: true),
                ],
            ),
        ),
        responses: [
            new OA\Response(
                response: 200,
                description: 'what it would take',
                content: new OA\JsonContent(ref: '#/components/schemas/DryPlanData'),
            ),
            new OA\Response(
                response: 201,
                description: 'in the dryer',
                content: new OA\JsonContent(ref: '#/components/schemas/DryingData'),
            ),
        ],
    )]
    public function store(Request $request): JsonResponse
    {
        $this->authorize('create', Drying::class);
        $given = $request->validate([
            'id' => ['required_unless:preview,true', 'uuid'],
            'preview' => ['nullable', 'boolean'],
            'machine_id' => [
                'required_unless:preview,true',
                'integer',
                Rule::exists('machines', 'id')->where('kind', 'dryer'),
            ],
            'lot_id' => ['required', 'integer', 'exists:lots,id'],
            'air_c' => ['nullable', 'numeric', 'between:0,300'],
            'wanted_at' => ['nullable', 'numeric', 'between:0,99999999999'],
        ]);
        $lot = Lot::query()->withHeld()->with('source')->whereKey($given['lot_id'])->firstOrFail();
        $plan = $this->plan(
            $lot,
            isset($given['air_c']) ? (float) $given['air_c'] : null,
            isset($given['wanted_at']) ? (float) $given['wanted_at'] : null,
        );
        if ($request->boolean('preview')) {
            $time = static fn (string $iso): float => Present::time(CarbonImmutable::parse($iso));

            return new JsonResponse(new DryPlanData(
                $plan->needed,
                $plan->hours,
                $plan->ready_at === null ? null : $time($plan->ready_at),
                $plan->start_by === null ? null : $time($plan->start_by),
                $plan->air_c,
                $plan->because,
            ));
        }
        if ($plan->air_c === null) {
            throw new InputError('lot_id', $plan->because);
        }
        if ($plan->hours === null) {
            throw new InputError('air_c', $plan->because);
        }
        $hours = $plan->hours;
        $air = $plan->air_c;
        $this->ledger->act($given['id'], 'dried', $this
            ->actor($request), '', ['lot_id' => $lot->id], function (Act $act) use ($given, $lot, $hours, $air): void {
                $this->ledger->lock([$lot->id]);
                $there = Drying::query()->where('lot_id', $lot->id)->whereNull('out_at')->first();
                if ($there !== null) {
                    throw new InputError('lot_id', "lot {$lot->code} is in a dryer already");
                }
                // Two loads of one dryer take turns at its row.
                $dryer = Machine::query()->whereKey($given['machine_id'])->lockForUpdate()->firstOrFail();
                $inside = Drying::query()->with('lot')->where('machine_id', $dryer->id)->whereNull('out_at')->get();
                DryerAir::admit(
                    $dryer->name,
                    array_values(
                        $inside->map(static fn (Drying $d): array => ["lot {$d->lot->code}", (float) $d->air_c])->all(),
                    ),
                    $air,
                );
                Drying::query()->create([
                    'id' => $act->id,
                    'machine_id' => $given['machine_id'],
                    'lot_id' => $lot->id,
                    'air_c' => $air,
                    'hours' => $hours,
                    'started_at' => $act->at,
                    'ready_at' => $act->at->addSeconds((int) round(3600 * $hours)),
                    'wanted_at' => isset($given['wanted_at'])
                        ? CarbonImmutable::createFromTimestampUTC((int) $given['wanted_at'])
                        : null,
                    'by_id' => $act->by_id,
                ]);
            });

        return new JsonResponse(
            $this->present->drying(
                Drying::query()->with([
                    'machine',
                    'by',
                    'lot' => static fn ($q) => $q->withHeld(),
                ])->whereKey($given['id'])->firstOrFail(),
            ),
            201,
        );
    }

    #[OA\Post(
        path: '/drying/{drying}/out',
        operationId: 'emptyDryer',
        summary: 'Take a lot out of the dryer',
        tags: ['drying'],
        parameters: [new OA\Parameter(
            name: 'drying',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['hopper'],
                properties: [
                    new OA\Property(property: 'hopper', type: 'string', enum: ['open', 'closed']),
                    new OA\Property(property: 'rh_pct', type: 'number', nullable: true),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'out',
            content: new OA\JsonContent(ref: '#/components/schemas/LotData'),
        )],
    )]
    public function out(Request $request, Drying $drying): JsonResponse
    {
        $this->authorize('update', $drying);
        $given = $request->validate([
            'hopper' => ['required', 'in:open,closed'],
            'rh_pct' => ['nullable', 'numeric', 'gt:0', 'max:100'],
        ]);
        $by = $this->actor($request);
        $this->ledger->once(function () use ($drying, $given, $by): void {
            $lot = $this->ledger->lock([$drying->lot_id])[$drying->lot_id];
            $locked = Drying::query()->whereKey($drying->id)->lockForUpdate()->firstOrFail();
            if ($locked->out_at !== null) {
                return;
            }
            $now = CarbonImmutable::now();
            $dry = $now >= $locked->ready_at;
            $locked->update(['out_at' => $now, 'out_dry' => $dry, 'out_by_id' => $by->id]);
            // Too early is not dry: what it takes is time at temperature.
            $lot->update([
                'dried_at' => $dry ? $now : null,
                'hopper' => $given['hopper'],
                'rh_pct' => $given['rh_pct'] ?? null,
            ]);
        });

        return new JsonResponse(
            $this->present->lot(Lot::query()->withHeld()->with(['source', 'reservedFor'])->findOrFail($drying->lot_id)),
            201,
        );
    }

    private function plan(Lot $lot, ?float $air, ?float $wanted): PlanResult
    {
        $plan = $this->calculations->run('dry.plan', array_filter([
            'polymer' => $lot->polymer, 'start' => CarbonImmutable::now()->toIso8601String(), 'air_c' => $air, 'form' => match ($lot->form) {
                'flake', 'regrind', 'densified film' => 'flake', 'sheet', 'offcut' => 'sheet', default => 'pellet'
            },
            'wanted_at' => $wanted === null
                ? null
                : CarbonImmutable::createFromTimestampUTC((int) $wanted)->toIso8601String(),
        ], static fn (mixed $v): bool => $v !== null));
        assert($plan instanceof PlanResult);

        return $plan;
    }
}
