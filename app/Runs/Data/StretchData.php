<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A stretch of time at a machine. */
#[OA\Schema]
final readonly class StretchData
{
    public function __construct(
        #[OA\Property] public string $run_id,
        #[OA\Property] public int $run_number,
        #[OA\Property] public string $step,
        #[OA\Property] public string $title,
        #[OA\Property] public string $kind,
        #[OA\Property] public float $from,
        #[OA\Property] public float $to,
        #[OA\Property] public string $phase,
    ) {
    }
}
