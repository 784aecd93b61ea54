<?php

declare(strict_types=1);

namespace App\Runs\Data;

use App\Shop\Data\HeatMarksData;
use OpenApi\Attributes as OA;

/** A run, whole. */
#[OA\Schema]
final readonly class RunData
{
    /**
     * @param  list<StepData>  $steps
     * @param  list<TimerData>  $timers
     * @param  list<PieceData>  $pieces
     * @param  list<RunOutputData>  $outputs
     * @param  list<string>  $contested
     * @param  list<string>  $troubles
     * @param  list<BreakData>  $breaks
     * @param  list<StandingEntryData>  $entries
     * @param  list<EventData>  $events
     * @param  list<HandData>  $hands
     * @param  list<RunMaterialData>  $materials
     * @param  list<MadeOfData>  $made_of
     * @param  list<CheckData>  $checks
     * @param  list<PlausibleData>  $plausible
     */
    public function __construct(
        #[OA\Property] public RunSummaryData $summary,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true),
        )]
        public object $plan,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )]
        public object $choices,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $setup,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $safety,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $procedure,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/StepData'))] public array $steps,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/TimerData'))] public array $timers,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $confirmed,
        #[OA\Property(
            description: 'each on its own clock; none where the procedure is one pass',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/PieceData'),
        )]
        public array $pieces,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RunOutputData'),
        )]
        public array $outputs,
        #[OA\Property(description: 'no piece follows')] public bool $closing,
        #[OA\Property(
            description: 'machines that another run claims for the same time, in words',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $contested,
        #[OA\Property(
            description: 'what is wrong with its machines now, as was logged, in words',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $troubles,
        #[OA\Property(
            description: 'in order; while the last has no end, nothing that needs heat goes on',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/BreakData'),
        )]
        public array $breaks,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/StandingEntryData'),
        )]
        public array $entries,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/EventData'))] public array $events,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/HandData'))] public array $hands,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(),
            nullable: true,
        )]
        public ?object $inspection,
        #[OA\Property(
            description: 'in order, the newest is the inspection',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/CheckData'),
        )]
        public array $checks,
        #[OA\Property(description: 'null where nobody can know, and once it has ended')] public ?InsideData $inside,
        #[OA\Property] public HeatMarksData $marks,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RunMaterialData'),
        )]
        public array $materials,
        #[OA\Property(
            description: 'which lots are in which pieces, of a run that went over to another; none of one that did not',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/MadeOfData'),
        )]
        public array $made_of,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            description: 'set-points in the main machine\'s own marks, by name of the target',
        )]
        public object $in_marks,
        #[OA\Property(
            description: 'what an answer is about: 0 the whole run; else safety, procedure and plausible are left out, setup too unless a step has ended, and of events, entries and pieces come those that are newer than this number, or under way',
        )]
        public int $since,
        #[OA\Property(description: 'pieces that an instrument can tell something of: GET runs/N/heard')]
        public int $heard,
        #[OA\Property] public float $step_since,
        #[OA\Property] public float $server_time,
        #[OA\Property(
            description: 'between what numbers are believed at once; of a whole run that is under way',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/PlausibleData'),
        )]
        public array $plausible,
    ) {
    }
}
