<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** What the heat strip shows of a polymer, °C. */
#[OA\Schema]
final readonly class HeatMarksData
{
    public function __construct(
        #[OA\Property] public ?float $softens_c,
        #[OA\Property] public ?float $melts_c,
        #[OA\Property] public ?float $sets_c,
        #[OA\Property] public ?float $demould_c,
        #[OA\Property] public ?float $window_min_c,
        #[OA\Property] public ?float $window_typical_c,
        #[OA\Property] public ?float $window_max_c,
        #[OA\Property] public ?float $ceiling_c,
    ) {
    }
}
