<?php

declare(strict_types=1);

namespace App\Data;

use Dithermic\Core\Charge\SheetResult;
use Dithermic\Core\Charge\SheetSchoolsResult;
use Dithermic\Core\Heat\Press\PressCycleResult;
use Dithermic\Core\Heat\Press\PressSchoolsResult;
use Dithermic\Core\Process\PlanCheck;
use Dithermic\Core\Process\UnknownFact;
use Dithermic\Core\Safety\CheckResult;
use OpenApi\Attributes as OA;

/** Everything a press job needs to know before it starts, by the core. */
#[OA\Schema]
final readonly class PressPlanData
{
    /**
     * @param  list<PlanCheck>  $checks
     * @param  list<UnknownFact>  $unknowns
     */
    public function __construct(
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true),
        )] public object $settings,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )] public object $choices,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
            description: 'where each number came from',
        )] public object $origins,
        #[OA\Property(ref: '#/components/schemas/ChargeSheetResult')] public SheetResult $sheet,
        #[OA\Property(ref: '#/components/schemas/ChargeSheetSchoolsResult')] public SheetSchoolsResult $weighing,
        #[OA\Property(ref: '#/components/schemas/HeatPressCycleResult')] public PressCycleResult $cycle,
        #[OA\Property(ref: '#/components/schemas/HeatPressSchoolsResult')] public PressSchoolsResult $timing,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number', nullable: true),
        )] public object $plan,
        #[OA\Property(ref: '#/components/schemas/SafetyCheckResult', nullable: true)] public ?CheckResult $safety,
        #[OA\Property(
            type: 'object',
            additionalProperties: new OA\AdditionalProperties,
            description: 'input of heat.press_cycle, to reckon it again',
        )] public object $heat_input,
        #[OA\Property] public HeatMarksData $marks,
        #[OA\Property] public string $polymer,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/PlanCheck'))] public array $checks,
        #[OA\Property(
            description: 'facts that the answer hangs on and nobody has said',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/UnknownFact'),
        )] public array $unknowns,
    ) {
    }
}
