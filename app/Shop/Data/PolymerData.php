<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A polymer of the library with the shop's own values laid over it. */
#[OA\Schema]
final readonly class PolymerData
{
    /**
     * @param  list<string>  $hazards
     * @param  list<string>  $overridden
     */
    public function __construct(
        #[OA\Property] public string $code,
        #[OA\Property] public string $name,
        #[OA\Property] public ?string $morphology,
        #[OA\Property] public ?float $density_g_cm3,
        #[OA\Property] public ?float $bulk_density_g_cm3,
        #[OA\Property] public HeatMarksData $marks,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $hazards,
        #[OA\Property(
            description: 'why a process does not work it, by process',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )]
        public object $why_not,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $overridden,
        #[OA\Property(
            description: 'what to know of it, by process',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'string'),
        )]
        public object $notes,
        #[OA\Property(
            description: 'temperatures between which it is worked, °C, by process',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(
                type: 'object',
                required: ['min', 'typical', 'max'],
                properties: [
                    new OA\Property(property: 'min', type: 'number'),
                    new OA\Property(property: 'typical', type: 'number'),
                    new OA\Property(property: 'max', type: 'number'),
                ],
            ),
        )]
        public object $windows,
        #[OA\Property(description: 'the usual most regrind')] public ?float $regrind_max_pct,
        #[OA\Property] public ?string $regrind_note,
        #[OA\Property] public bool $never_hot,
    ) {
    }
}
