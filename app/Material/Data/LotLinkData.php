<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** Material that came from another lot, or went there. */
#[OA\Schema]
final readonly class LotLinkData
{
    public function __construct(
        #[OA\Property] public int $lot_id,
        #[OA\Property] public string $code,
        #[OA\Property] public string $polymer,
        #[OA\Property] public string $swatch,
        #[OA\Property] public string $kind,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public float $at,
    ) {
    }
}
