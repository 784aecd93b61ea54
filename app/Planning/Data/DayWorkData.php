<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** Pieces that are finished on a day: work for the waits. */
#[OA\Schema]
final readonly class DayWorkData
{
    /** @param  list<string>  $holds */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $product_id,
        #[OA\Property(description: 'what is done, and to what')] public string $says,
        #[OA\Property(description: 'that wait')] public int $count,
        #[OA\Property(description: 'of them, with the parts that are there')] public int $can,
        #[OA\Property(description: 'of hands, for those')] public float $hands_min,
        #[OA\Property(description: 'of an order that the shelf has too few for')] public ?float $due,
        #[OA\Property(description: 'null where it is not in the plan')] public ?float $starts,
        #[OA\Property] public ?float $ends,
        #[OA\Property(
            description: 'what is missing',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $holds,
    ) {
    }
}
