<?php

declare(strict_types=1);

namespace App\Causes\Data;

use Dithermic\Core\Process\Figure;
use OpenApi\Attributes as OA;

/** Whether a measured figure of a product is steady, and within what it has to be. */
#[OA\Schema]
final readonly class ChartData
{
    /** @param  list<ChartPointData>  $points */
    public function __construct(
        #[OA\Property(ref: '#/components/schemas/Figure')] public Figure $figure,
        #[OA\Property(
            description: 'oldest first',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/ChartPointData'),
        )]
        public array $points,
        #[OA\Property] public float $centre,
        #[OA\Property(description: 'of chance')] public float $ucl,
        #[OA\Property] public float $lcl,
        #[OA\Property(description: 'that it may be')] public ?float $least,
        #[OA\Property] public ?float $most,
        #[OA\Property(description: 'null where nothing limits it, or all are the same')] public ?float $cpk,
        #[OA\Property(description: 'what that says')] public ?string $fits,
        #[OA\Property] public string $says,
    ) {
    }
}
