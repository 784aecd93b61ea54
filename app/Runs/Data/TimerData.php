<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** A timer of a run. */
#[OA\Schema]
final readonly class TimerData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public string $title,
        #[OA\Property] public string $kind,
        #[OA\Property] public float $started_at,
        #[OA\Property] public float $ends_at,
        #[OA\Property] public float $minutes,
        #[OA\Property] public ?float $answered_at,
    ) {
    }
}
