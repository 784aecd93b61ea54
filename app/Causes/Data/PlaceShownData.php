<?php

declare(strict_types=1);

namespace App\Causes\Data;

use OpenApi\Attributes as OA;

/** A place on a part: what stands for good there, and how it is on this run. */
#[OA\Schema]
final readonly class PlaceShownData
{
    /** @param  list<PartPictureData>  $now */
    public function __construct(
        #[OA\Property(description: 'as the shop calls it')] public string $place,
        #[OA\Property(
            ref: '#/components/schemas/PartPictureData',
            nullable: true,
            description: 'null where nobody has approved one',
        )]
        public ?PartPictureData $approved,
        #[OA\Property] public ?string $approved_by,
        #[OA\Property(description: 's since 1970 UTC')] public ?float $approved_at,
        #[OA\Property(
            description: 'of this run, the newest first; none where a product is asked for',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/PartPictureData'),
        )]
        public array $now,
    ) {
    }
}
