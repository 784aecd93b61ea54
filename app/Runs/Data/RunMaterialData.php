<?php

declare(strict_types=1);

namespace App\Runs\Data;

use OpenApi\Attributes as OA;

/** What a run was made of: so much from this lot. */
#[OA\Schema]
final readonly class RunMaterialData
{
    public function __construct(
        #[OA\Property] public int $lot_id,
        #[OA\Property] public string $lot,
        #[OA\Property] public string $polymer,
        #[OA\Property] public string $colour,
        #[OA\Property] public string $swatch,
        #[OA\Property] public string $form,
        #[OA\Property] public string $source,
        #[OA\Property] public string $source_state,
        #[OA\Property(description: 'null before it was weighed in')] public ?float $mass_g,
    ) {
    }
}
