<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** What is done to the pieces of a product after their run. */
#[OA\Schema]
final readonly class FinishingData
{
    /**
     * @param  list<OperationData>  $operations
     * @param  list<FinishedData>  $log
     */
    public function __construct(
        #[OA\Property(
            description: 'empty where nothing is done',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/OperationData'),
        )]
        public array $operations,
        #[OA\Property(description: 'newest that was said of it; sent back with what is said next')] public int $after,
        #[OA\Property(description: 'who said so')] public ?string $by,
        #[OA\Property] public ?float $at,
        #[OA\Property(
            description: 'newest first, the last ten',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/FinishedData'),
        )]
        public array $log,
    ) {
    }
}
