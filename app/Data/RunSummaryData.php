<?php

declare(strict_types=1);

namespace App\Data;

use OpenApi\Attributes as OA;

/** A run as it stands in the list. */
#[OA\Schema]
final readonly class RunSummaryData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $number,
        #[OA\Property] public string $product,
        #[OA\Property] public string $polymer,
        #[OA\Property] public string $machine,
        #[OA\Property] public ?string $cold_machine,
        #[OA\Property] public string $lot_code,
        #[OA\Property] public string $status,
        #[OA\Property] public ?string $step,
        #[OA\Property] public ?string $verdict,
        #[OA\Property] public ?string $scrap_reason,
        #[OA\Property] public float $started_at,
        #[OA\Property] public ?float $ended_at,
        #[OA\Property] public string $started_by,
        #[OA\Property] public string $heat_rule,
        #[OA\Property] public ?float $platen_c,
        #[OA\Property] public ?float $heat_min,
        #[OA\Property] public ?float $mean_mm,
        #[OA\Property] public ?float $range_mm,
        #[OA\Property] public ?float $porosity_pct,
    ) {
    }
}
