<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** That something was looked after. */
#[OA\Schema]
final readonly class CareDoneData
{
    public function __construct(
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $at,
        #[OA\Property] public string $by,
        #[OA\Property] public string $note,
    ) {
    }
}
