<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** Finished goods of a product. */
#[OA\Schema]
final readonly class GoodsData
{
    public function __construct(
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property] public string $process,
        #[OA\Property] public string $polymer,
        #[OA\Property(description: 'made, less what was taken away')] public int $held,
        #[OA\Property(description: 'at so many or fewer more are made')] public ?int $reorder_at,
        #[OA\Property(description: 'how many there ought to be then')] public ?int $make_to,
        #[OA\Property(description: 'how many to make now')] public int $wants,
        #[OA\Property(description: 'of the product, to say what was seen')] public int $revision,
    ) {
    }
}
