<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** So many of a product that somebody waits for. */
#[OA\Schema]
final readonly class OrderData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $number,
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property] public int $count,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $due,
        #[OA\Property(description: 'for whom, or what they said')] public string $words,
        #[OA\Property(description: 'of it that stand on the shelf already')] public int $ready,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
        #[OA\Property(description: 'newest entry of its log, 0 for none; sent back with the next')] public int $after,
    ) {
    }
}
