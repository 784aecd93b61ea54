<?php

declare(strict_types=1);

namespace App\Shop\Http;

use App\Http\Answer;
use App\Http\Controller;
use App\Runs\Models\RunStation;
use App\Shop\Actions\SayOfMachine;
use App\Shop\Data\MachineDetailData;
use App\Shop\Data\MachineFactData;
use App\Shop\Data\MachineKindData;
use App\Shop\Http\Requests\AddMachineRequest;
use App\Shop\Http\Requests\RetireMachineRequest;
use App\Shop\Http\Requests\SayOfMachineRequest;
use App\Shop\Models\Machine;
use App\Shop\Models\MachineFact;
use App\Shop\Queries\FitsOfMould;
use App\Shop\Queries\PresentShop;
use App\Support\Seconds;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\MachineKind;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use OpenApi\Attributes as OA;

/** The shop's own machines: entered, known better as time goes, retired. */
final class MachineController extends Controller
{
    public function __construct(private readonly PresentShop $present, private readonly Processes $processes)
    {
    }

    #[OA\Get(
        path: '/machine-kinds',
        operationId: 'getMachineKinds',
        summary: 'Kinds of machines and what can be known of each',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'MachineKindData')],
    )]
    public function kinds(): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return $this->listed(array_values(array_map(self::kind(...), $this->processes->machineKinds())));
    }

    #[OA\Get(
        path: '/machines/{machine}',
        operationId: 'getMachine',
        summary: 'A machine with the log of what is known of it',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', 'MachineDetailData')],
    )]
    public function show(Machine $machine): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return new JsonResponse($this->detail($machine));
    }

    #[OA\Post(
        path: '/machines',
        operationId: 'addMachine',
        summary: 'Enter a machine with what is known of it',
        tags: ['shop'],
        responses: [new Answer(201, 'entered', 'MachineDetailData')],
    )]
    public function store(AddMachineRequest $request, SayOfMachine $say): JsonResponse
    {
        $given = $request->validated();
        $machine = $say->create(
            trim($given['name']),
            $given['kind'],
            $request->facts(),
            $given['note'] ?? '',
            $this->actor($request),
        );

        return new JsonResponse($this->detail($machine->refresh()), 201);
    }

    #[OA\Post(
        path: '/machines/{machine}/facts',
        operationId: 'sayOfMachine',
        summary: 'Say what is known better of a machine; what was said before stays in its log',
        tags: ['shop'],
        responses: [new Answer(200, 'kept', 'MachineDetailData')],
    )]
    public function sayFacts(SayOfMachineRequest $request, Machine $machine, SayOfMachine $say): JsonResponse
    {
        $given = $request->validated();
        $say->say(
            $machine,
            (int) $given['after'],
            $request->facts(),
            $given['note'] ?? '',
            $this->actor($request),
        );

        return new JsonResponse($this->detail($machine));
    }

    #[OA\Post(
        path: '/machines/{machine}/retire',
        operationId: 'retireMachine',
        summary: 'Take a machine out of use, or bring it back; its runs stay',
        tags: ['shop'],
        responses: [new Answer(200, 'done', 'MachineDetailData')],
    )]
    public function retire(RetireMachineRequest $request, Machine $machine): JsonResponse
    {
        $given = $request->validated();
        $held = RunStation::query()->where('machine_id', $machine->id)->whereNotNull('from_at')->whereNull('to_at');
        if ($given['retired'] && $held->exists()) {
            throw new InputError('retired', "{$machine->name} is in a run: end that first");
        }
        $machine->update(['retired_at' => $given['retired'] ? now() : null]);

        return new JsonResponse($this->detail($machine));
    }

    #[OA\Get(
        path: '/machines/{machine}/fits',
        operationId: 'getFits',
        summary: 'Which machines a mould goes into, and what speaks against the others',
        tags: ['shop'],
        responses: [new Answer(200, 'ok', list: 'FitData')],
    )]
    public function fits(Machine $machine, FitsOfMould $fits): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return $this->listed($fits->of($machine));
    }

    private static function kind(MachineKind $kind): MachineKindData
    {
        return new MachineKindData($kind->id, $kind->title, (object) $kind->facts(), $kind->isMould);
    }

    private function detail(Machine $machine): MachineDetailData
    {
        $log = $machine->factLog()->with('by')->get();
        $kind = $this->processes->machineKinds()[$machine->kind] ?? new MachineKind($machine->kind, $machine->kind);

        return new MachineDetailData(
            $this->present->machine($machine),
            self::kind($kind),
            array_values($log->map(static fn (MachineFact $f): MachineFactData => new MachineFactData(
                $f->id,
                $f->name,
                is_numeric($f->value) ? (float) $f->value : $f->value,
                $f->origin->value,
                $f->note,
                $f->by?->name,
                Seconds::of($f->at),
            ))->all()),
            (int) $log->max('id'),
            $kind->isMould ? $machine->made() : null,
            $this->processes->learningOf($machine->kind) !== null,
        );
    }
}
