<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A log entry with its corrections laid over it. */
#[OA\Schema]
final readonly class StandingEntryData
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public string $entry,
        #[OA\Property] public float $at,
        #[OA\Property] public string $by,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $values,
        #[OA\Property] public ?string $step,
        #[OA\Property] public int $corrected,
        #[OA\Property(description: 'null for the run itself')] public ?int $piece,
    ) {
    }
}
