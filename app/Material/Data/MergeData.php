<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** What lots would become together. */
#[OA\Schema]
final readonly class MergeData
{
    /** @param  list<string>  $changes */
    public function __construct(
        #[OA\Property] public float $mass_g,
        #[OA\Property] public string $polymer,
        #[OA\Property] public string $form,
        #[OA\Property] public string $colour,
        #[OA\Property] public string $swatch,
        #[OA\Property] public int $generation,
        #[OA\Property] public string $dry_state,
        #[OA\Property(type: 'array', items: new OA\Items(type: 'string'))] public array $changes,
    ) {
    }
}
