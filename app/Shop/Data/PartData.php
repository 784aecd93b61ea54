<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A part that the shop buys. */
#[OA\Schema]
final readonly class PartData
{
    /** @param  list<string>  $used_by */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public int $held,
        #[OA\Property(description: 'at so many or fewer more are ordered')] public ?int $reorder_at,
        #[OA\Property(description: 'how many there ought to be then')] public ?int $order_to,
        #[OA\Property(description: 'days from the order to the shelf')] public ?int $comes_days,
        #[OA\Property(description: 'how many to order now')] public int $order,
        #[OA\Property(description: 'products', type: 'array', items: new OA\Items(type: 'string'))]
        public array $used_by,
        #[OA\Property] public bool $retired,
        #[OA\Property(description: 'to say what was seen')] public int $revision,
    ) {
    }
}
