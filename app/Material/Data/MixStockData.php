<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** How much of a mix the shelves give now. */
#[OA\Schema]
final readonly class MixStockData
{
    public function __construct(
        #[OA\Property] public float $gives_g,
        #[OA\Property(description: 'the part that runs out first')] public string $runs_out,
    ) {
    }
}
