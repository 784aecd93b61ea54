<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** What one more of something would have given on the shop's last days. */
#[OA\Schema]
final readonly class OneMoreData
{
    public function __construct(
        #[OA\Property(description: 'a machine, or hands')] public string $id,
        #[OA\Property] public string $name,
        #[OA\Property(description: 'of the time in which anything was made; null for hands')] public ?float $busy_pct,
        #[OA\Property(description: 'that a day would have been over sooner, in the mean')] public float $sooner_min,
        #[OA\Property(description: 'days that it would have ended half an hour sooner or more')] public int $days,
        #[OA\Property(description: 'on the day that it would have helped most')] public float $most_min,
    ) {
    }
}
