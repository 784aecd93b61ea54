<?php

declare(strict_types=1);

namespace App\Data;

use OpenApi\Attributes as OA;

/** A dryer run as it would be. */
#[OA\Schema]
final readonly class DryPlanData
{
    public function __construct(
        #[OA\Property] public string $needed,
        #[OA\Property] public ?float $hours,
        #[OA\Property] public ?float $ready_at,
        #[OA\Property] public ?float $start_by,
        #[OA\Property] public ?float $air_c,
        #[OA\Property] public string $because,
    ) {
    }
}
