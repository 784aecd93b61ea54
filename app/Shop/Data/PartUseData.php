<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** A bought-in part that an operation takes. */
#[OA\Schema]
final readonly class PartUseData
{
    public function __construct(
        #[OA\Property] public int $part_id,
        #[OA\Property] public string $part,
        #[OA\Property(description: 'for each piece')] public int $count,
    ) {
    }
}
