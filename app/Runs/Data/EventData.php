<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** One entry of a run's log. */
#[OA\Schema]
final readonly class EventData
{
    public function __construct(
        #[OA\Property] public string $key,
        #[OA\Property] public int $seq,
        #[OA\Property] public string $type,
        #[OA\Property] public float $at,
        #[OA\Property] public float $recorded_at,
        #[OA\Property] public string $by,
        #[OA\Property(enum: ['trace', 'signal', 'tap', 'typed'])] public string $source,
        #[OA\Property(type: 'object', additionalProperties: new OA\AdditionalProperties())] public object $data,
    ) {
    }
}
