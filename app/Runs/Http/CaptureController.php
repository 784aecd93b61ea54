<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Actions\KeepCapture;
use App\Runs\Data\CarriedData;
use App\Runs\Http\Requests\CarryRequest;
use App\Runs\Http\Requests\KeepCaptureRequest;
use App\Runs\Models\CapturedSetUp;
use App\Runs\Models\Run;
use App\Runs\Queries\Captures;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What a controller showed at a good cycle, kept once, and what it is on another machine or with a printed mould. */
final class CaptureController extends Controller
{
    public function __construct(private readonly Captures $captures)
    {
    }

    #[OA\Get(
        path: '/runs/{run}/capture',
        operationId: 'getRunCapture',
        summary: 'What may be kept of the controller of a run\'s machine, and what was',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'CaptureData')],
    )]
    public function show(Run $run): JsonResponse
    {
        $this->authorize('view', $run);

        return new JsonResponse($this->captures->ofRun($run->load(['product', 'stations.machine'])));
    }

    #[OA\Post(
        path: '/runs/{run}/capture',
        operationId: 'keepRunCapture',
        summary: 'Keep what the controller shows, once per id',
        tags: ['runs'],
        responses: [new Answer(201, 'kept', 'CapturedSetUpData')],
    )]
    public function store(KeepCaptureRequest $request, Run $run, KeepCapture $keep): JsonResponse
    {
        $kept = $keep(
            $request->string('id')->lower()->value(),
            $request->actor(),
            $run->load(['product', 'stations.machine']),
            (array) $request->validated('shown'),
            array_values((array) $request->validated('pictures')),
        );

        return new JsonResponse($this->captures->one($kept), 201);
    }

    #[OA\Get(
        path: '/products/{product}/captures',
        operationId: 'getProductCaptures',
        summary: 'What controllers showed while they made it, the newest first',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', list: 'CapturedSetUpData')],
    )]
    public function ofProduct(Product $product): JsonResponse
    {
        $this->authorize('view', $product);

        return $this->listed($this->captures->ofProduct($product));
    }

    #[OA\Get(
        path: '/captures/{capture}/onto',
        operationId: 'carryCapture',
        summary: 'What a kept set-up is on another machine, or with a printed mould',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'CarriedData')],
    )]
    public function onto(CarryRequest $request, CapturedSetUp $capture, Processes $processes): JsonResponse
    {
        $capture->load(['machine', 'product']);
        $process = $processes->get($capture->product->process);
        $setUp = new Record($capture->shown);
        $from = self::record($capture->machine);
        $onto = (int) ($request->validated('machine_id') ?? $request->validated('mould_id'));
        $to = self::record(Machine::query()->whereKey($onto)->firstOrFail());
        $carried = $request->validated('machine_id') === null
            ? $process->ontoMould($setUp, $from, $to, new Record($capture->product->dimensions))
            : $process->ontoMachine($setUp, $from, $to);

        return new JsonResponse(CarriedData::of(
            $carried ?? throw new InputError('machine_id', 'is carried to none of this kind'),
        ));
    }

    private static function record(Machine $machine): Record
    {
        return new Record(['name' => $machine->name] + $machine->facts);
    }
}
