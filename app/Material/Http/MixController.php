<?php

declare(strict_types=1);

namespace App\Material\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Actions\KeepMix;
use App\Material\Http\Requests\KeepMixRequest;
use App\Material\Models\Mix;
use App\Material\Queries\PresentMix;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Named mixes, each change a version. */
final class MixController extends Controller
{
    public function __construct(private readonly PresentMix $present)
    {
    }

    #[OA\Get(
        path: '/mixes',
        operationId: 'getMixes',
        summary: 'Mixes, the newest version of each',
        tags: ['weigh'],
        responses: [new Answer(200, 'ok', list: 'MixData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Mix::class);

        return $this->listed(
            Mix::query()->with('by')
                ->whereIn('id', Mix::query()->selectRaw('max(id)')->groupBy('name'))
                ->orderBy('name')
                ->get()
                ->map($this->present->mix(...)),
        );
    }

    #[OA\Post(
        path: '/mixes',
        operationId: 'keepMix',
        summary: 'Keep a mix as the next version of its name',
        tags: ['weigh'],
        responses: [new Answer(201, 'kept', 'MixData')],
    )]
    public function store(KeepMixRequest $request, KeepMix $keep): JsonResponse
    {
        $given = $request->validated();
        $mix = $keep($given, $this->actor($request)->id);

        return new JsonResponse($this->present->mix($mix->load('by')), 201);
    }
}
