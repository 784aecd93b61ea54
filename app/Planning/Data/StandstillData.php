<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** When a machine stands today because somebody works on it. */
#[OA\Schema]
final readonly class StandstillData
{
    public function __construct(
        #[OA\Property] public int $machine_id,
        #[OA\Property(description: 's since 1970 UTC')] public float $from,
        #[OA\Property] public float $to,
        #[OA\Property] public string $why,
    ) {
    }
}
