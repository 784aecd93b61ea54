<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** Finished goods of a product, and what waits to be finished. */
#[OA\Schema]
final readonly class GoodsData
{
    /**
     * @param  list<OperationData>  $operations
     * @param  list<string>  $lacks
     */
    public function __construct(
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property] public string $process,
        #[OA\Property] public string $polymer,
        #[OA\Property(description: 'made and finished, less what was taken away')] public int $held,
        #[OA\Property(description: 'at so many or fewer more are made')] public ?int $reorder_at,
        #[OA\Property(description: 'how many there ought to be then')] public ?int $make_to,
        #[OA\Property(description: 'how many to make now')] public int $wants,
        #[OA\Property(description: 'of the product, to say what was seen')] public int $revision,
        #[OA\Property(description: 'good pieces that something is still to be done to')] public int $to_finish,
        #[OA\Property(
            description: 'that is done to them',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/OperationData'),
        )]
        public array $operations,
        #[OA\Property(description: 'that each of them takes')] public float $piece_min,
        #[OA\Property(description: 'whose hands it wants at once')] public int $finish_people,
        #[OA\Property(description: 'of hands, for each')] public float $hands_min,
        #[OA\Property(description: 'of hands, for all that wait')] public float $finish_min,
        #[OA\Property(description: 'of those that wait, with the parts that are there')] public int $can_finish,
        #[OA\Property(
            description: 'bought-in parts that are missing to it, in words',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $lacks,
    ) {
    }
}
