<?php

declare(strict_types=1);

namespace App\Planning\Data;

use OpenApi\Attributes as OA;

/** A day on which nobody works. */
#[OA\Schema]
final readonly class DayOffData
{
    public function __construct(
        #[OA\Property(description: 'its beginning, s since 1970 UTC')] public float $day,
        #[OA\Property] public string $why,
    ) {
    }
}
