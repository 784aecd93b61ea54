<?php

declare(strict_types=1);

namespace App\Instruments\Data;

use OpenApi\Attributes as OA;

/** What a channel told that it should not have. */
#[OA\Schema]
final readonly class AlarmData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property] public string $channel,
        #[OA\Property(description: 'the run that the machine was in')] public ?string $run_id,
        #[OA\Property(enum: ['low', 'high', 'fast', 'silent'])] public string $kind,
        #[OA\Property(description: 'in words: "171 °C, under 177 °C"')] public string $says,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $began_at,
        #[OA\Property(description: 'null while it stands')] public ?float $ended_at,
        #[OA\Property(description: 'who answered it')] public ?string $by,
        #[OA\Property] public ?float $answered_at,
        #[OA\Property] public string $note,
    ) {
    }
}
