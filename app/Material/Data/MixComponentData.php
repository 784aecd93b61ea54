<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A part of a mix. */
#[OA\Schema]
final readonly class MixComponentData
{
    public function __construct(
        #[OA\Property] public string $name,
        #[OA\Property] public string $swatch,
        #[OA\Property] public float $parts,
        #[OA\Property] public float $percent,
        #[OA\Property] public string $kind,
    ) {
    }
}
