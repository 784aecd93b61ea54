<?php

declare(strict_types=1);

namespace App\Runs\Data;

use App\Shop\Data\HeatMarksData;
use App\Shop\Data\RecipeData;
use Dithermic\Core\Process\Plan;
use Dithermic\Core\Safety\CheckResult;
use OpenApi\Attributes as OA;
use stdClass;

/** Everything a job needs to know before it starts, by the core. */
#[OA\Schema]
final readonly class PlanData
{
    public function __construct(
        #[OA\Property] public string $process,
        #[OA\Property] public string $polymer,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
            description: 'the answer of plan.PROCESS, whole: settings, targets, timers, charge, checks, cautions, unknowns and what is particular to the process',
        )]
        public Plan $plan,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true),
            description: 'value by name',
        )]
        public object $settings,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            description: 'where each came from, by name',
        )]
        public object $origins,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            description: 'the method settled on, by school',
        )]
        public object $choices,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
            description: 'what a recipe would keep of it',
        )]
        public object $recipe,
        #[OA\Property(ref: '#/components/schemas/SafetyCheckResult', nullable: true)] public ?CheckResult $safety,
        #[OA\Property] public HeatMarksData $marks,
        #[OA\Property(description: 'the recipe that it opened with; null where none was kept')]
        public ?RecipeData $opened_with = null,
        #[OA\Property(description: 'between this job and what the machine holds; null where nothing stands there')]
        public ?ChangeDueData $change = null,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            description: 'set-points in the main machine\'s own marks, by name of the setting',
        )]
        public object $in_marks = new stdClass,
    ) {
    }
}
