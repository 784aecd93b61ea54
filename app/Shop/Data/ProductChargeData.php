<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** What one piece of a product weighs on the scale. */
#[OA\Schema]
final readonly class ProductChargeData
{
    public function __construct(
        #[OA\Property] public float $mass_g,
        #[OA\Property(
            description: 'this near is on target; null where the process says none',
        )]
        public ?float $tolerance_g,
        #[OA\Property] public string $explanation,
    ) {
    }
}
