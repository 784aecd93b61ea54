<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** Something that could be made next, because it runs short. */
#[OA\Schema]
final readonly class ProposalData
{
    /**
     * @param  list<string>  $first
     * @param  list<string>  $holds
     */
    public function __construct(
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property] public string $polymer,
        #[OA\Property(description: 'on the shelf')] public int $held,
        #[OA\Property(description: 'to make')] public int $wants,
        #[OA\Property(description: 'pieces of a run that gives them: shots, sheets, bars')] public int $pieces,
        #[OA\Property(description: 'what a piece is called')] public string $piece,
        #[OA\Property(description: 'the setting that says how many; null where a run makes one')]
        public ?string $counts,
        #[OA\Property] public ?int $machine_id,
        #[OA\Property] public ?string $machine,
        #[OA\Property(description: 'the lot to take it from')] public ?string $lot,
        #[OA\Property(description: 'when the first good one could be there, seconds since 1970 UTC')]
        public ?float $first_at,
        #[OA\Property(description: 'when all of them could be')] public ?float $all_at,
        #[OA\Property(description: 'how many by the end of the shift')] public int $by_end,
        #[OA\Property(
            description: 'what has to be done now, in words',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $first,
        #[OA\Property(
            description: 'why it cannot be begun; empty where it can',
            type: 'array',
            items: new OA\Items(type: 'string'),
        )]
        public array $holds,
    ) {
    }
}
