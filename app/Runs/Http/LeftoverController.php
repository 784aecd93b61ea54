<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Material\Queries\PresentLot;
use App\Runs\Actions\KeepLeftover;
use App\Runs\Http\Requests\KeepLeftoverRequest;
use App\Runs\Models\Run;
use App\Runs\Queries\Leftovers;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\Leftover;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

final class LeftoverController extends Controller
{
    private const LOADED = ['events.by', 'outputs.lot', 'product', 'procedureVersion'];

    public function __construct(private readonly Leftovers $leftovers)
    {
    }

    #[OA\Get(
        path: '/runs/{run}/leftovers',
        operationId: 'getRunLeftovers',
        summary: 'What a run left besides good pieces, and what of it is kept',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'LeftoverData')],
    )]
    public function index(Run $run): JsonResponse
    {
        $this->authorize('view', $run);

        return $this->listed($this->leftovers->of($run->load(self::LOADED)));
    }

    #[OA\Post(
        path: '/runs/{run}/leftovers',
        operationId: 'keepRunLeftover',
        summary: 'Put what a run left into a container of its own, once per id',
        tags: ['runs'],
        responses: [new Answer(201, 'the container', 'LotData')],
    )]
    public function store(KeepLeftoverRequest $request, Run $run, KeepLeftover $keep, PresentLot $present): JsonResponse
    {
        $wanted = $request->string('leftover')->value();
        $left = collect($this->leftovers->left($run->load(self::LOADED)))
            ->first(static fn (Leftover $of): bool => $of->id === $wanted)
            ?? throw new InputError('leftover', 'is nothing that this run left');
        $act = $keep(
            $request->string('id')->lower()->value(),
            $request->actor(),
            $run,
            $left,
            (float) $request->float('mass_g'),
            $request->string('location')->value(),
        );
        $lot = KeepLeftover::made($act)->load(['source', 'reservedFor'])->loadSum('movements as held_g', 'mass_g');

        return new JsonResponse($present->lot($lot), 201);
    }
}
