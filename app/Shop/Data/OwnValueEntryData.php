<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** What was once said of an own value. */
#[OA\Schema]
final readonly class OwnValueEntryData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property(description: 'null where it went back to the library')] public ?float $value,
        #[OA\Property] public string $reason,
        #[OA\Property] public ?string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
