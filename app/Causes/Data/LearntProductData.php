<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** All that runs taught of a product. */
#[OA\Schema]
final readonly class LearntProductData
{
    /**
     * @param  list<ChartData>  $charts
     * @param  list<SetUpData>  $set_ups
     */
    public function __construct(
        #[OA\Property] public LearntData $of,
        #[OA\Property(description: 'null where its runs have not two settings in common')] public ?AsRunData $window,
        #[OA\Property(type: 'array', items: new OA\Items(ref: '#/components/schemas/ChartData'))] public array $charts,
        #[OA\Property(
            description: 'newest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SetUpData'),
        )]
        public array $set_ups,
    ) {
    }
}
