<?php

declare(strict_types=1);

namespace App\Runs\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Data\CaptureData;
use App\Runs\Data\CapturedSetUpData;
use App\Runs\Data\CarriedData;
use App\Runs\Http\Requests\CarryRequest;
use App\Runs\Http\Requests\KeepCaptureRequest;
use App\Runs\Models\CapturedSetUp;
use App\Runs\Models\Run;
use App\Shop\Models\Machine;
use App\Shop\Models\Product;
use App\Support\Conflict;
use Carbon\CarbonImmutable;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Calculator\Reader;
use Dithermic\Core\Calculator\Schema;
use Dithermic\Core\Data\Record;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** What a controller showed at a good cycle, kept once, and what it is on another machine or with a printed mould. */
final class CaptureController extends Controller
{
    private const LOADED = ['run', 'machine', 'mould', 'by'];

    public function __construct(private readonly Processes $processes)
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
        $class = $this->class($run->load(['product', 'stations.machine']));

        return new JsonResponse(new CaptureData(
            $class === null ? null : (object) Schema::of($class),
            array_values(CapturedSetUp::query()->with(self::LOADED)->where('run_id', $run->id)->orderByDesc('at')->limit(20)->get()
                ->map(CapturedSetUpData::of(...))->all()),
        ));
    }

    #[OA\Post(
        path: '/runs/{run}/capture',
        operationId: 'keepRunCapture',
        summary: 'Keep what the controller shows, once per id',
        tags: ['runs'],
        responses: [new Answer(201, 'kept', 'CapturedSetUpData')],
    )]
    public function store(KeepCaptureRequest $request, Run $run): JsonResponse
    {
        $class = $this->class($run->load(['product', 'stations.machine', 'pieces']))
            ?? throw new InputError('shown', 'is asked of no machine of this kind');
        if ($run->good() === 0) {
            throw new InputError('shown', 'is kept once a piece was good: this run has none yet');
        }
        $said = array_filter((array) $request->validated()['shown'], static fn (mixed $v): bool => $v !== null);
        $shown = array_map(static fn (mixed $v): float => is_numeric($v) ? (float) $v : 0.0, $said);
        try {
            Reader::mustFit($class, $shown, 'is nothing that this machine shows');
            Reader::read($class, $shown);
        } catch (InputError $error) {
            throw $error->under('shown');
        }
        $kept = CapturedSetUp::query()->firstOrCreate(['id' => $request->string('id')->lower()->value()], [
            'run_id' => $run->id,
            'machine_id' => $run->mainMachine()->id,
            'product_id' => $run->product_id,
            'mould_id' => $run->machineAs('mould')?->id,
            'shown' => $shown,
            'pictures' => $request->validated()['pictures'],
            'by_id' => $request->actor()->id,
            'at' => CarbonImmutable::now(),
        ]);
        if ($kept->run_id !== $run->id || $kept->by_id !== $request->actor()->id) {
            throw Conflict::of();
        }

        return new JsonResponse(CapturedSetUpData::of($kept->load(self::LOADED)), 201);
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

        return $this->listed(array_values(CapturedSetUp::query()->with(self::LOADED)->where('product_id', $product->id)
            ->orderByDesc('at')->limit(20)->get()->map(CapturedSetUpData::of(...))->all()));
    }

    #[OA\Get(
        path: '/captures/{capture}/onto',
        operationId: 'carryCapture',
        summary: 'What a kept set-up is on another machine, or with a printed mould',
        tags: ['runs'],
        responses: [new Answer(200, 'ok', 'CarriedData')],
    )]
    public function onto(CarryRequest $request, CapturedSetUp $capture): JsonResponse
    {
        $capture->load(['machine', 'product']);
        $process = $this->processes->get($capture->product->process);
        $setUp = new Record($capture->shown);
        $from = self::record($capture->machine);
        $onto = (int) ($request->validated('machine_id') ?? $request->validated('mould_id'));
        $to = self::record(Machine::query()->whereKey($onto)->firstOrFail());
        $carried = $request->validated('machine_id') === null
            ? $process->ontoMould($setUp, $from, $to, new Record($capture->product->dimensions))
            : $process->ontoMachine($setUp, $from, $to);

        return new JsonResponse(CarriedData::of($carried ?? throw new InputError('machine_id', 'is carried to none of this kind')));
    }

    /** @return class-string|null */
    private function class(Run $run): ?string
    {
        return $this->processes->get($run->product->process)->captured(new Record($run->mainMachine()->facts));
    }

    private static function record(Machine $machine): Record
    {
        return new Record(['name' => $machine->name] + $machine->facts);
    }
}
