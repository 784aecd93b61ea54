<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A lot in a dryer. */
#[OA\Schema]
final readonly class DryingData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $dryer,
        #[OA\Property] public int $lot_id,
        #[OA\Property] public string $lot,
        #[OA\Property] public string $polymer,
        #[OA\Property] public string $swatch,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public float $air_c,
        #[OA\Property] public float $hours,
        #[OA\Property] public float $started_at,
        #[OA\Property] public float $ready_at,
        #[OA\Property] public ?float $wanted_at,
        #[OA\Property] public string $by,
    ) {
    }
}
