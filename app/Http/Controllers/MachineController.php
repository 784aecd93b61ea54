<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Actions\SayOfMachine;
use App\Data\MachineDetailData;
use App\Data\MachineFactData;
use App\Data\MachineKindData;
use App\Models\Machine;
use App\Models\MachineFact;
use App\Models\RunStation;
use App\Support\Present;
use Dithermic\Core\Calculator\InputError;
use Dithermic\Core\Process\FactOrigin;
use Dithermic\Core\Process\MachineKind;
use Dithermic\Core\Process\Processes;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use OpenApi\Attributes as OA;

/** The shop's own machines: entered, known better as time goes, retired. */
final class MachineController extends Controller
{
    private const FACTS = [
        'facts' => ['present', 'array', 'max:60'],
        'facts.*' => ['array'],
        'facts.*.value' => ['present'],
        'facts.*.origin' => ['nullable', 'in:plate,measured,fitted,unknown'],
        'note' => ['nullable', 'string', 'max:500'],
    ];

    public function __construct(private readonly Present $present, private readonly Processes $processes)
    {
    }

    #[OA\Get(
        path: '/machine-kinds',
        operationId: 'getMachineKinds',
        summary: 'Kinds of machines and what can be known of each',
        tags: ['shop'],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(type: 'array', items: new OA\Items(ref: '#/components/schemas/MachineKindData')),
        )],
    )]
    public function kinds(): JsonResponse
    {
        $this->authorize('viewAny', Machine::class);

        return new JsonResponse(array_values(array_map(self::kind(...), $this->processes->machineKinds())));
    }

    #[OA\Get(
        path: '/machines/{machine}',
        operationId: 'getMachine',
        summary: 'A machine with the log of what is known of it',
        tags: ['shop'],
        parameters: [new OA\Parameter(name: 'machine', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
        responses: [new OA\Response(
            response: 200,
            description: 'ok',
            content: new OA\JsonContent(ref: '#/components/schemas/MachineDetailData'),
        )],
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
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(
            required: ['name', 'kind', 'facts'],
            properties: [
                new OA\Property(property: 'name', type: 'string'),
                new OA\Property(property: 'kind', type: 'string'),
                new OA\Property(property: 'facts', ref: '#/components/schemas/SaidFacts'),
                new OA\Property(property: 'note', type: 'string'),
            ],
        )),
        responses: [new OA\Response(
            response: 201,
            description: 'entered',
            content: new OA\JsonContent(ref: '#/components/schemas/MachineDetailData'),
        )],
    )]
    public function store(Request $request, SayOfMachine $say): JsonResponse
    {
        $this->authorize('create', Machine::class);
        $given = $request->validate(self::FACTS + [
            'name' => ['required', 'string', 'max:60'],
            'kind' => ['required', 'string', 'max:30'],
        ]);
        $machine = $say->create(
            trim($given['name']),
            $given['kind'],
            self::facts($given['facts']),
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
        parameters: [new OA\Parameter(name: 'machine', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(
            required: ['after', 'facts'],
            properties: [
                new OA\Property(property: 'after', type: 'integer', description: 'the newest fact that was seen'),
                new OA\Property(property: 'facts', ref: '#/components/schemas/SaidFacts'),
                new OA\Property(property: 'note', type: 'string'),
            ],
        )),
        responses: [new OA\Response(
            response: 200,
            description: 'kept',
            content: new OA\JsonContent(ref: '#/components/schemas/MachineDetailData'),
        )],
    )]
    public function sayFacts(Request $request, Machine $machine, SayOfMachine $say): JsonResponse
    {
        $this->authorize('update', $machine);
        $given = $request->validate(self::FACTS + ['after' => ['required', 'integer', 'min:0']]);
        $say->say(
            $machine,
            (int) $given['after'],
            self::facts($given['facts']),
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
        parameters: [new OA\Parameter(name: 'machine', in: 'path', required: true, schema: new OA\Schema(type: 'integer'))],
        requestBody: new OA\RequestBody(required: true, content: new OA\JsonContent(
            required: ['retired'],
            properties: [new OA\Property(property: 'retired', type: 'boolean')],
        )),
        responses: [new OA\Response(
            response: 200,
            description: 'done',
            content: new OA\JsonContent(ref: '#/components/schemas/MachineDetailData'),
        )],
    )]
    public function retire(Request $request, Machine $machine): JsonResponse
    {
        $this->authorize('update', $machine);
        $given = $request->validate(['retired' => ['required', 'boolean']]);
        $held = RunStation::query()->where('machine_id', $machine->id)->whereNotNull('from_at')->whereNull('to_at');
        if ($given['retired'] && $held->exists()) {
            throw new InputError('retired', "{$machine->name} is in a run: end that first");
        }
        $machine->update(['retired_at' => $given['retired'] ? now() : null]);

        return new JsonResponse($this->detail($machine));
    }

    private static function kind(MachineKind $kind): MachineKindData
    {
        return new MachineKindData($kind->id, $kind->title, (object) $kind->facts());
    }

    /**
     * @param  array<array-key, array{value: mixed, origin?: string|null}>  $given
     * @return array<string, array{value: mixed, origin: FactOrigin}>
     */
    private static function facts(array $given): array
    {
        $facts = [];
        foreach ($given as $name => $fact) {
            $facts[(string) $name] = [
                'value' => $fact['value'],
                'origin' => FactOrigin::from($fact['origin'] ?? FactOrigin::Measured->value),
            ];
        }

        return $facts;
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
                is_numeric($f->value) ? (float) $f->value : null,
                $f->origin->value,
                $f->note,
                $f->by?->name,
                Present::time($f->at),
            ))->all()),
            (int) $log->max('id'),
        );
    }
}
