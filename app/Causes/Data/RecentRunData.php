<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A run that is over, among the last ones of its product. */
#[OA\Schema]
final readonly class RecentRunData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $number,
        #[OA\Property(description: 'pieces')] public int $good,
        #[OA\Property(description: 'pieces')] public int $bad,
        #[OA\Property(description: 'when it was begun')] public float $at,
        #[OA\Property] public string $machine,
    ) {
    }
}
