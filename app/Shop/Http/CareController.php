<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Shop\Actions\KeepCare;
use App\Shop\Http\Requests\AddCareRequest;
use App\Shop\Http\Requests\CareDoneRequest;
use App\Shop\Http\Requests\GiveUpCareRequest;
use App\Shop\Models\Care;
use App\Shop\Models\Machine;
use App\Shop\Queries\CareOfMachines;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What of machines is looked after: asked for when it is due, and only then. */
final class CareController extends Controller
{
    public function __construct(private readonly CareOfMachines $care)
    {
    }

    #[OA\Get(
        path: '/care',
        operationId: 'getCareDue',
        summary: 'What is due or soon due on all machines in use',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'CareData')],
    )]
    public function due(): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return $this->listed($this->care->due());
    }

    #[OA\Get(
        path: '/machines/{machine}/care',
        operationId: 'getCare',
        summary: 'What of a machine is looked after',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'CareData')],
    )]
    public function index(Machine $machine): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return $this->listed($this->care->of($machine));
    }

    #[OA\Post(
        path: '/machines/{machine}/care',
        operationId: 'addCare',
        summary: 'Raise something once, or say what is looked after again and again',
        tags: ['shop'],
        responses: [new Answer(201, 'kept', list: 'CareData')],
    )]
    public function store(AddCareRequest $request, Machine $machine, KeepCare $keep): JsonResponse
    {
        $keep->add($request->validated()['id'], $request->actor(), $machine, $request->care());

        return $this->listed($this->care->of($machine))->setStatusCode(201);
    }

    #[OA\Post(
        path: '/care/{care}/done',
        operationId: 'careDone',
        summary: 'It was looked after',
        tags: ['shop'],
        responses: [new Answer(201, 'kept', list: 'CareData')],
    )]
    public function done(CareDoneRequest $request, Care $care, KeepCare $keep): JsonResponse
    {
        $given = $request->validated();
        $keep->done($given['id'], $request->actor(), $care, $given['note'] ?? '');

        return $this->listed($this->care->of($care->machine))->setStatusCode(201);
    }

    #[OA\Post(
        path: '/care/{care}/give-up',
        operationId: 'giveUpCare',
        summary: 'It is no longer asked; what was done stays',
        tags: ['shop'],
        responses: [new Answer(200, 'kept', list: 'CareData')],
    )]
    public function giveUp(GiveUpCareRequest $request, Care $care, KeepCare $keep): JsonResponse
    {
        $keep->giveUp($care);

        return $this->listed($this->care->of($care->machine));
    }
}
