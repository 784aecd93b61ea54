<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\CloseSorting;
use App\Data\SortingBinData;
use App\Data\SortingData;
use App\Data\SortingEntryData;
use App\Models\Sorting;
use App\Models\SortingBin;
use App\Models\SortingEntry;
use App\Models\User;
use App\Support\Conflict;
use App\Support\Present;
use App\Support\Sent;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Material\PolymerLibrary;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\DB;
use OpenApi\Attributes as OA;

/**
 * A mixed batch goes piece by piece or handful by handful into open containers, and the masses are balanced at the end.
 */
final class SortingController extends Controller
{
    public function __construct(private readonly Present $present, private readonly CloseSorting $close)
    {
    }

    #[OA\Get(
        path: '/sortings',
        operationId: 'getSortings',
        summary: 'Sortings, the newest first',
        tags: ['sorting'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/SortingData')),
        )],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Sorting::class);

        return new JsonResponse(
            Sorting::query()->with(['source', 'by', 'bins.lot', 'entries'])
                ->orderByDesc('started_at')
                ->limit(30)
                ->get()
                ->map(fn (Sorting $s): SortingData => $this->data($s)),
        );
    }

    #[OA\Post(
        path: '/sortings',
        operationId: 'startSorting',
        summary: 'Begin a sorting with what the whole batch weighs',
        tags: ['sorting'],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id', 'source_id', 'about', 'in_g', 'scale_g'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'source_id', type: 'integer'),
                    new OA\Property(property: 'about', type: 'string'),
                    new OA\Property(property: 'in_g', type: 'number'),
                    new OA\Property(property: 'scale_g', type: 'number'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'begun',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
    )]
    public function store(Request $request, Sent $sent): JsonResponse
    {
        $this->authorize('create', Sorting::class);
        $given = $request->validate([
            'id' => ['required', 'uuid'],
            'source_id' => ['required', 'integer', 'exists:sources,id'],
            'about' => ['required', 'string', 'max:120'],
            'in_g' => ['required', 'numeric', 'gt:0', 'max:100000000'],
            'scale_g' => ['required', 'numeric', 'gt:0', 'max:1000'],
        ]);
        $sorting = DB::transaction(function () use ($given, $request, $sent): Sorting {
            $sent->as($given['id']);

            return Sorting::query()->firstOrCreate(
                ['id' => $given['id']],
                [
                    'status' => Sorting::OPEN,
                    'by_id' => $this->actor($request)->id,
                    'started_at' => CarbonImmutable::now(),
                ] + $given,
            );
        });

        return new JsonResponse($this->data($sorting), 201);
    }

    #[OA\Get(
        path: '/sortings/{sorting}',
        operationId: 'getSorting',
        summary: 'A sorting as it stands',
        tags: ['sorting'],
        parameters: [new OA\Parameter(
            name: 'sorting',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
    )]
    public function show(Sorting $sorting): JsonResponse
    {
        $this->authorize('view', $sorting);

        return new JsonResponse($this->data($sorting));
    }

    #[OA\Post(
        path: '/sortings/{sorting}/bins',
        operationId: 'openBin',
        summary: 'Open a container; without a polymer it is waste',
        tags: ['sorting'],
        parameters: [new OA\Parameter(
            name: 'sorting',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['place', 'colour', 'swatch'],
                properties: [
                    new OA\Property(property: 'place', type: 'integer'),
                    new OA\Property(property: 'polymer', type: 'string', nullable: true),
                    new OA\Property(property: 'colour', type: 'string'),
                    new OA\Property(property: 'swatch', type: 'string'),
                    new OA\Property(property: 'location', type: 'string', nullable: true),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'open',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
    )]
    public function bin(Request $request, Sorting $sorting, PolymerLibrary $polymers): JsonResponse
    {
        $this->authorize('update', $sorting);
        $given = $request->validate([
            'place' => ['required', 'integer', 'between:1,30'],
            'polymer' => ['nullable', 'string', 'max:20'],
            'colour' => ['required', 'string', 'max:60'],
            'swatch' => ['required', 'regex:/^#[0-9a-fA-F]{6}$/'],
            'location' => ['nullable', 'string', 'max:60'],
        ]);
        if (isset($given['polymer']) && ! $polymers->has($given['polymer'])) {
            throw new InputError(
                'polymer',
                "there is no polymer \"{$given['polymer']}\": take one of the library, UNKNOWN, or none for waste",
            );
        }
        $this->whileOpen($sorting, static function (Sorting $open) use ($given): void {
            $there = SortingBin::query()->where(['sorting_id' => $open->id, 'place' => $given['place']])->first();
            if ($there === null) {
                SortingBin::query()->create(
                    [
                        'sorting_id' => $open->id,
                        'polymer' => $given['polymer'] ?? null,
                        'location' => $given['location'] ?? '',
                    ] + $given,
                );
            } elseif ($there->polymer !== ($given['polymer'] ?? null) || $there->colour !== $given['colour']) {
                throw new InputError('place', 'is taken by another container: take the next number');
            }
        });

        return new JsonResponse($this->data($sorting->refresh()), 201);
    }

    #[OA\Post(
        path: '/sortings/{sorting}/entries',
        operationId: 'sortPieces',
        summary: 'Put pieces or a weight into a container, or take an entry back',
        tags: ['sorting'],
        parameters: [new OA\Parameter(
            name: 'sorting',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['key'],
                properties: [
                    new OA\Property(property: 'key', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'bin_id', type: 'integer'),
                    new OA\Property(property: 'pieces', type: 'integer'),
                    new OA\Property(property: 'mass_g', type: 'number'),
                    new OA\Property(property: 'undoes', type: 'string', nullable: true),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'in',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
    )]
    public function entry(Request $request, Sorting $sorting): JsonResponse
    {
        $this->authorize('update', $sorting);
        $given = $request->validate([
            'key' => ['required', 'uuid'],
            'undoes' => ['nullable', 'uuid'],
            'bin_id' => ['required_without:undoes', 'integer'],
            'pieces' => ['nullable', 'integer', 'between:0,100000'],
            'mass_g' => ['nullable', 'numeric', 'between:0,100000000'],
        ]);
        $user = $this->actor($request);
        $this->whileOpen($sorting, fn (Sorting $open) => $this->enter($open, $user, $given));

        return new JsonResponse($this->data($sorting->refresh()), 201);
    }

    /** @param  array<string, mixed>  $given */
    private function enter(Sorting $sorting, User $user, array $given): void
    {
        $before = SortingEntry::query()->whereKey($given['key'])->first();
        if ($before !== null) {
            $same = $before->sorting_id === $sorting->id && $before->undoes === ($given['undoes'] ?? null)
                && (
                    isset($given['undoes']) || (
                        (int) $before->bin_id === (int) $given['bin_id']
                            && (int) $before->pieces === (int) ($given['pieces'] ?? 0)
                            && abs(
                                (float) $before->mass_g - (float) ($given['mass_g'] ?? 0),
                            ) < 0.0005
                    )
                );

            if (! $same) {
                throw Conflict::of('key');
            }

            return;
        }
        $entry = [
            'key' => $given['key'],
            'sorting_id' => $sorting->id,
            'by_id' => $user->id,
            'at' => CarbonImmutable::now(),
        ];
        if (isset($given['undoes'])) {
            $was = SortingEntry::query()->where('sorting_id', $sorting->id)
                ->whereNull('undoes')
                ->whereKey($given['undoes'])
                ->first() ?? throw new InputError('undoes', 'is not an entry of this sorting');
            if (SortingEntry::query()->where('undoes', $was->key)->exists()) {
                throw new InputError('undoes', 'was taken back already');
            }
            SortingEntry::query()->create(
                $entry + [
                    'bin_id' => $was->bin_id,
                    'pieces' => -$was->pieces,
                    'mass_g' => -(float) $was->mass_g,
                    'undoes' => $was->key,
                ],
            );

            return;
        }
        if (! SortingBin::query()->where('sorting_id', $sorting->id)->whereKey($given['bin_id'])->exists()) {
            throw new InputError('bin_id', 'is not a container of this sorting');
        }
        if (($given['pieces'] ?? 0) === 0 && (float) ($given['mass_g'] ?? 0) === 0.0) {
            throw new InputError('pieces', 'say how many pieces, or what they weigh');
        }
        SortingEntry::query()->create(
            $entry + [
                'bin_id' => $given['bin_id'],
                'pieces' => $given['pieces'] ?? 0,
                'mass_g' => $given['mass_g'] ?? 0,
            ],
        );
    }

    #[OA\Post(
        path: '/sortings/{sorting}/close',
        operationId: 'closeSorting',
        summary: 'Close: the containers become lots; a balance that does not close needs a reason',
        tags: ['sorting'],
        parameters: [new OA\Parameter(
            name: 'sorting',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        requestBody: new OA\RequestBody(
            required: true,
            content: new OA\JsonContent(
                required: ['id'],
                properties: [
                    new OA\Property(property: 'id', type: 'string', format: 'uuid'),
                    new OA\Property(property: 'reason', type: 'string'),
                ],
            ),
        ),
        responses: [new OA\Response(
            response: 201,
            description: 'closed',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
    )]
    public function close(Request $request, Sorting $sorting): JsonResponse
    {
        $this->authorize('update', $sorting);
        $given = $request->validate(['id' => ['required', 'uuid'], 'reason' => ['nullable', 'string', 'max:500']]);
        ($this->close)($given['id'], $this->actor($request), $sorting, (string) ($given['reason'] ?? ''));

        return new JsonResponse($this->data($sorting->refresh()), 201);
    }

    private function whileOpen(Sorting $sorting, callable $work): void
    {
        DB::transaction(static function () use ($sorting, $work): void {
            $locked = Sorting::query()->whereKey($sorting->id)->lockForUpdate()->firstOrFail();
            if ($locked->status !== Sorting::OPEN) {
                throw new InputError('sorting', 'is closed: what is in the containers is stock now');
            }
            $work($locked);
        });
    }

    private function data(Sorting $sorting): SortingData
    {
        $sorting->loadMissing(['source', 'by', 'bins.lot', 'entries']);
        $undone = array_filter($sorting->entries->pluck('undoes')->all());
        $names = User::query()->pluck('name', 'id');
        $bins = array_values($sorting->bins->map(function (SortingBin $b) use ($sorting): SortingBinData {
            $in = $sorting->entries->where('bin_id', $b->id);

            return new SortingBinData(
                $b->id,
                $b->place,
                $b->polymer,
                $b->colour,
                $b->swatch,
                $b->location,
                $b->lot_id,
                $b->lot?->code,
                (int) $in->sum('pieces'),
                round((float) $in->sum('mass_g'), 3),
                $b->polymer !== null && $this->present->neverHot($b->polymer),
            );
        })->all());
        $balance = $this->close->balance($sorting);

        return new SortingData(
            $sorting->id,
            $this->present->source($sorting->source),
            $sorting->about,
            (float) $sorting->in_g,
            $sorting->scale_g,
            $sorting->status,
            $sorting->by->name,
            Present::time($sorting->started_at),
            $sorting->closed_at === null ? null : Present::time($sorting->closed_at), $bins,
            array_values(
                $sorting->entries->whereNull('undoes')->sortByDesc('at')->take(60)->map(
                    static fn (SortingEntry $e): SortingEntryData => new SortingEntryData(
                        $e->key,
                        $e->bin_id,
                        $e->pieces,
                        (float) $e->mass_g,
                        in_array($e->key, $undone, true),
                        (string) ($names[$e->by_id] ?? ''),
                        Present::time($e->at),
                    ),
                )->all(),
            ),
            $balance->sorted_g,
            $balance->waste_g,
            $balance->missing_g,
            $balance->tolerance_g,
            $balance->closes,
            $balance->because,
        );
    }
}
