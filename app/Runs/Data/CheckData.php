<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What one check of a run found, in short. */
#[OA\Schema]
final readonly class CheckData
{
    public function __construct(
        #[OA\Property(description: 'null where the run is one pass')] public ?int $piece,
        #[OA\Property] public string $kind,
        #[OA\Property] public ?float $mass_g,
        #[OA\Property(
            description: 'by the name of a figure of the process',
            type: 'object',
            additionalProperties: new OA\AdditionalProperties(type: 'number'),
        )]
        public object $figures,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $at,
    ) {
    }
}
