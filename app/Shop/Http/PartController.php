<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Actions\KeepParts;
use App\Shop\Http\Requests\MovePartRequest;
use App\Shop\Http\Requests\SayPartRequest;
use App\Shop\Models\BoughtPart;
use App\Shop\Models\Product;
use App\Shop\Queries\Finishings;
use App\Shop\Support\PartMovementKind;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** Parts that the shop buys. */
final class PartController extends Controller
{
    #[OA\Get(
        path: '/parts',
        operationId: 'getParts',
        summary: 'Parts that the shop buys, what is to be ordered first',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'PartData')],
    )]
    public function index(): JsonResponse
    {
        $this->authorize('viewAny', Product::class);

        return $this->listed(Finishings::now()->parts());
    }

    #[OA\Post(
        path: '/parts',
        operationId: 'addPart',
        summary: 'Enter a part that the shop buys',
        tags: ['shop'],
        responses: [new Answer(201, 'kept', list: 'PartData')],
    )]
    public function store(SayPartRequest $request, KeepParts $keep): JsonResponse
    {
        $keep->say(null, $request->said(), null);

        return $this->listed(Finishings::now()->parts(), status: 201);
    }

    #[OA\Put(
        path: '/parts/{part}',
        operationId: 'sayPart',
        summary: 'Say when a part is ordered, what it is called, or that it is bought no more',
        tags: ['shop'],
        responses: [new Answer(200, 'kept', list: 'PartData')],
    )]
    public function update(SayPartRequest $request, BoughtPart $part, KeepParts $keep): JsonResponse
    {
        $keep->say($part, $request->said(), $request->integer('after_revision'));

        return $this->listed(Finishings::now()->parts());
    }

    #[OA\Post(
        path: '/parts/{part}/movements',
        operationId: 'movePart',
        summary: 'So many came, or so many are there',
        tags: ['shop'],
        responses: [new Answer(201, 'kept', list: 'PartData')],
    )]
    public function move(MovePartRequest $request, BoughtPart $part, KeepParts $keep): JsonResponse
    {
        $given = $request->validated();
        $keep->move(
            $given['id'],
            $part,
            PartMovementKind::from($given['kind']),
            (int) $given['count'],
            $given['reason'] ?? '',
            $request->actor(),
        );

        return $this->listed(Finishings::now()->parts(), status: 201);
    }
}
