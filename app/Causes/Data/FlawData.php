<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** Where on a part a flaw was seen. */
#[OA\Schema]
final readonly class FlawData
{
    public function __construct(
        #[OA\Property(format: 'uuid')] public string $id,
        #[OA\Property(format: 'uuid')] public string $run_id,
        #[OA\Property(description: 'its number')] public int $run,
        #[OA\Property(description: 'its number; null where the run is one pass')] public ?int $piece,
        #[OA\Property] public string $defect,
        #[OA\Property(description: 'of the length, 0 to 1')] public float $along,
        #[OA\Property(description: 'of the width, 0 to 1')] public float $across,
        #[OA\Property] public string $by,
        #[OA\Property(description: 's since 1970 UTC')] public float $at,
    ) {
    }
}
