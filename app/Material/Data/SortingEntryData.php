<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** Pieces or a weight put into a bin. */
#[OA\Schema]
final readonly class SortingEntryData
{
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $bin_id,
        #[OA\Property] public int $pieces,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public bool $undone,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
