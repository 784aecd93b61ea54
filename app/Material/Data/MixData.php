<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A named mix, newest version. */
#[OA\Schema]
final readonly class MixData
{
    /**
     * @param  list<MixComponentData>  $components
     */
    public function __construct(
        #[OA\Property] public int $id,
        #[OA\Property] public string $name,
        #[OA\Property] public int $version,
        #[OA\Property] public string $polymer,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/MixComponentData'),
        )]
        public array $components,
        #[OA\Property] public string $preview,
        #[OA\Property] public float $regrind_pct,
        #[OA\Property] public ?float $regrind_max_pct,
        #[OA\Property] public ?string $regrind_note,
        #[OA\Property(description: 'what the shelves give of it')] public MixStockData $stock,
        #[OA\Property] public string $note,
        #[OA\Property] public string $by,
        #[OA\Property] public float $at,
    ) {
    }
}
