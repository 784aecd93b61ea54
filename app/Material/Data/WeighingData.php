<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** What the scale said. */
#[OA\Schema]
final readonly class WeighingData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $component,
        #[OA\Property] public int $lot_id,
        #[OA\Property] public string $lot,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public string $how,
        #[OA\Property] public string $reason,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
