<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** What a shift made of a product. */
#[OA\Schema]
final readonly class MadeSinceData
{
    public function __construct(
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property] public int $good,
        #[OA\Property(description: 'scrapped or taken out')] public int $bad,
        #[OA\Property(description: 'that it was made in')] public int $runs,
    ) {
    }
}
