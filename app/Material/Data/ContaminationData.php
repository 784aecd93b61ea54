<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** Foreign matter found in a lot, judged by the core. */
#[OA\Schema]
final readonly class ContaminationData
{
    public function __construct(
        #[OA\Property] public string $found,
        #[OA\Property] public float $found_g,
        #[OA\Property] public float $sample_g,
        #[OA\Property] public float $share_pct,
        #[OA\Property] public float $allowed_pct,
        #[OA\Property(type: 'string', enum: ['within', 'too much', 'dangerous'])] public string $verdict,
        #[OA\Property] public string $because,
        #[OA\Property] public string $note,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
