<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A photograph of a part. */
#[OA\Schema]
final readonly class PartPictureData
{
    public function __construct(
        #[OA\Property(format: 'uuid')] public string $id,
        #[OA\Property(format: 'uuid')] public string $picture_id,
        #[OA\Property(description: 'number of its run')] public int $run,
        #[OA\Property(format: 'uuid')] public string $run_id,
        #[OA\Property(description: 'its number; null where the run is one pass')] public ?int $piece,
        #[OA\Property] public string $by,
        #[OA\Property(description: 's since 1970 UTC')] public float $at,
    ) {
    }
}
