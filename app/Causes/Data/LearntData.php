<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** What is known of making a product, by its last runs. */
#[OA\Schema]
final readonly class LearntData
{
    /**
     * @param  list<RecentRunData>  $recent
     * @param  list<OpenCaseData>  $cases
     */
    public function __construct(
        #[OA\Property] public int $product_id,
        #[OA\Property] public string $product,
        #[OA\Property] public string $process,
        #[OA\Property] public string $polymer,
        #[OA\Property(description: 'pieces of the runs shown')] public int $good,
        #[OA\Property] public int $bad,
        #[OA\Property(
            description: 'the last runs that are over, oldest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/RecentRunData'),
        )]
        public array $recent,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/OpenCaseData'))]
        public array $cases,
        #[OA\Property(description: 'null where it was never kept')] public ?OpensWithData $opens_with,
    ) {
    }
}
