<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** What a source brought before: a delivery of the same begins from it. */
#[OA\Schema]
final readonly class BroughtData
{
    public function __construct(
        #[OA\Property] public string $code,
        #[OA\Property] public string $polymer,
        #[OA\Property] public string $form,
        #[OA\Property] public string $colour,
        #[OA\Property] public string $swatch,
        #[OA\Property] public string $location,
        #[OA\Property] public int $generation,
        #[OA\Property] public ?float $tare_g,
        #[OA\Property(type: 'object', nullable: true)] public ?object $sheet,
        #[OA\Property] public ?int $reserved_for_id,
        #[OA\Property(description: 'what was taken in then')] public float $mass_g,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $at,
    ) {
    }
}
