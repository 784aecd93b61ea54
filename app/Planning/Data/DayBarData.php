<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** A stretch of a lane: what was and is, or what comes. */
#[OA\Schema]
final readonly class DayBarData
{
    public function __construct(
        #[OA\Property] public float $from,
        #[OA\Property] public float $to,
        #[OA\Property] public string $says,
        #[OA\Property(description: 'where it is planned, not begun')] public bool $coming,
        #[OA\Property(description: 'of the plan; null of what is under way')] public ?string $job,
        #[OA\Property] public ?string $run_id,
    ) {
    }
}
