<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A defect as it was seen. */
#[OA\Schema]
final readonly class SeenDefectData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property] public ?string $where,
        #[OA\Property(enum: ['cosmetic', 'functional', 'scrap'])] public string $severity,
    ) {
    }
}
