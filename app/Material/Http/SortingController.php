<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Controller;
use App\Http\ListOf;
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
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new ListOf('SortingData'),
        )],
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
        responses: [new OA\Response(
            response: 201,
            description: 'begun',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
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

        return new JsonResponse($this->present->sorting($sorting));
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
        responses: [new OA\Response(
            response: 201,
            description: 'open',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
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
        parameters: [new OA\Parameter(
            name: 'sorting',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        responses: [new OA\Response(
            response: 201,
            description: 'in',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
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
        parameters: [new OA\Parameter(
            name: 'sorting',
            in: 'path',
            required: true,
            schema: new OA\Schema(type: 'string'),
        )],
        responses: [new OA\Response(
            response: 201,
            description: 'closed',
            content: new OA\JsonContent(ref: '#/components/schemas/SortingData'),
        )],
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
