<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** How often a cause was it in this shop, of a defect. */
#[OA\Schema]
final readonly class CauseCountData
{
    public function __construct(
        #[OA\Property] public string $defect,
        #[OA\Property] public string $cause,
        #[OA\Property] public int $confirmed,
        #[OA\Property(description: 'changed for, and it was not that')] public int $failed,
        #[OA\Property(description: 'prior that ships')] public float $shipped,
        #[OA\Property(description: 'prior that this shop has by now')] public float $prior,
    ) {
    }
}
