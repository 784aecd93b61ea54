<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\CloseSorting;
use App\Material\Actions\SortPieces;
use App\Material\Http\Requests\CloseSortingRequest;
use App\Material\Http\Requests\OpenBinRequest;
use App\Material\Http\Requests\SortPiecesRequest;
use App\Material\Http\Requests\StartSortingRequest;
use App\Material\Models\Sorting;
use App\Material\Queries\PresentSorting;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/**
 * A mixed batch goes piece by piece or handful by handful into open containers, and the masses are balanced at the end.
 */
final class SortingController extends Controller
{
    public function __construct(private readonly PresentSorting $present, private readonly SortPieces $sort)
    {
    }

    #[OA\Get(
        path: '/sortings',
        operationId: 'getSortings',
        summary: 'Sortings, the newest first',
        tags: ['sorting'],
        responses: [new Answer(200, 'ok', list: 'SortingData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Sorting::class);

        return $this->listed(
            Sorting::query()->with(['source', 'by', 'bins.lot', 'entries'])
                ->orderByDesc('started_at')
                ->limit(30)
                ->get()
                ->map($this->present->sorting(...)),
        );
    }

    #[OA\Post(
        path: '/sortings',
        operationId: 'startSorting',
        summary: 'Begin a sorting with what the whole batch weighs',
        tags: ['sorting'],
        responses: [new Answer(201, 'begun', 'SortingData')],
    )]
    public function store(StartSortingRequest $request): JsonResponse
    {
        $sorting = $this->sort->start($request->actor(), $request->validated());

        return new JsonResponse($this->present->sorting($sorting), 201);
    }

    #[OA\Get(
        path: '/sortings/{sorting}',
        operationId: 'getSorting',
        summary: 'A sorting as it stands',
        tags: ['sorting'],
        responses: [new Answer(200, 'ok', 'SortingData')],
    )]
    public function show(Sorting $sorting): JsonResponse
    {
        $this->authorize('view', $sorting);

        return new JsonResponse($this->present->sorting($sorting));
    }

    #[OA\Post(
        path: '/sortings/{sorting}/bins',
        operationId: 'openBin',
        summary: 'Open a container; without a polymer it is waste',
        tags: ['sorting'],
        responses: [new Answer(201, 'open', 'SortingData')],
    )]
    public function bin(OpenBinRequest $request, Sorting $sorting): JsonResponse
    {
        $this->sort->open($sorting, $request->validated());

        return new JsonResponse($this->present->sorting($sorting->refresh()), 201);
    }

    #[OA\Post(
        path: '/sortings/{sorting}/entries',
        operationId: 'sortPieces',
        summary: 'Put pieces or a weight into a container, or take an entry back',
        tags: ['sorting'],
        responses: [new Answer(201, 'in', 'SortingData')],
    )]
    public function entry(SortPiecesRequest $request, Sorting $sorting): JsonResponse
    {
        $this->sort->enter($sorting, $request->actor(), $request->safe());

        return new JsonResponse($this->present->sorting($sorting->refresh()), 201);
    }

    #[OA\Post(
        path: '/sortings/{sorting}/close',
        operationId: 'closeSorting',
        summary: 'Close: the containers become lots; a balance that does not close needs a reason',
        tags: ['sorting'],
        responses: [new Answer(201, 'closed', 'SortingData')],
    )]
    public function close(CloseSortingRequest $request, Sorting $sorting, CloseSorting $close): JsonResponse
    {
        $close(
            $request->string('id')->value(),
            $request->actor(),
            $sorting,
            $request->string('reason')->value(),
        );

        return new JsonResponse($this->present->sorting($sorting->refresh()), 201);
    }
}
