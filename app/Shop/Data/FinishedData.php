<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** Pieces that were finished, or taken back. */
#[OA\Schema]
final readonly class FinishedData
{
    public function __construct(
        #[OA\Property(description: 'under none: taken back')] public int $count,
        #[OA\Property] public string $reason,
        #[OA\Property] public string $by,
        #[OA\Property(description: 's since 1970 UTC')] public float $at,
    ) {
    }
}
