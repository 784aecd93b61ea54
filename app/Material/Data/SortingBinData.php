<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** An open container at a sorting. */
#[OA\Schema]
final readonly class SortingBinData
{
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public int $place,
        #[OA\Property] public ?string $polymer,
        #[OA\Property] public string $colour,
        #[OA\Property] public string $swatch,
        #[OA\Property] public string $location,
        #[OA\Property] public ?int $lot_id,
        #[OA\Property] public ?string $lot,
        #[OA\Property] public int $pieces,
        #[OA\Property] public float $mass_g,
        #[OA\Property] public bool $never_hot,
    ) {
    }
}
