<?php

declare(strict_types=1);

namespace App\Material\Data;

use OpenApi\Attributes as OA;

/** A batch being sorted. */
#[OA\Schema]
final readonly class SortingData
{
    /**
     * @param  list<SortingBinData>  $bins
     * @param  list<SortingEntryData>  $entries
     */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public SourceData $source,
        #[OA\Property] public string $about,
        #[OA\Property] public float $in_g,
        #[OA\Property] public float $scale_g,
        #[OA\Property] public string $status,
        #[OA\Property] public string $by,
        #[OA\Property] public float $started_at,
        #[OA\Property] public ?float $closed_at,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SortingBinData'),
        )]
        public array $bins,
        #[OA\Property(
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/SortingEntryData'),
        )]
        public array $entries,
        #[OA\Property] public float $sorted_g,
        #[OA\Property] public float $waste_g,
        #[OA\Property] public float $missing_g,
        #[OA\Property] public float $tolerance_g,
        #[OA\Property] public bool $closes,
        #[OA\Property] public string $because,
    ) {
    }
}
