<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** A run in the plan of a day: for an order, or for the shelf. */
#[OA\Schema]
final readonly class DayJobData
{
    /**
     * @param  list<string>  $because
     * @param  list<string>  $first
     * @param  list<string>  $holds
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property] public string $polymer,
        #[OA\Property(description: 'of the product')] public int $count,
        #[OA\Property(description: 'of its procedure')] public int $pieces,
        #[OA\Property(description: 'setting that says how many; null where a run is one')] public ?string $counts,
        #[OA\Property] public string $piece,
        #[OA\Property(description: 'null: for the shelf')] public ?int $order,
        #[OA\Property] public ?float $due,
        #[OA\Property] public ?string $machine,
        #[OA\Property] public ?string $lot,
        #[OA\Property(description: 'null where it is not in the plan')] public ?float $starts,
        #[OA\Property] public ?float $ends,
        #[OA\Property(description: 'it ends between here')] public ?float $likely_from,
        #[OA\Property(description: 'and here, by how long such runs took before')] public ?float $likely_to,
        #[OA\Property(description: 'runs that this is known from; 0 where it is what shops see')]
        public int $known_from,
        #[OA\Property(description: '0 where it is in time')] public float $late_min,
        #[OA\Property(
            description: 'what holds it up, backwards',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $because,
        #[OA\Property(
            description: 'what has to be done now',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $first,
        #[OA\Property(
            description: 'why it cannot be begun',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $holds,
        #[OA\Property(enum: ['pinned', 'free', 'left_out'])] public string $wish,
    ) {
    }
}
