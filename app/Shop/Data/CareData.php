<?php

declare(strict_types=1);

namespace App\Shop\Data;

use OpenApi\Attributes as OA;

/** Something of a machine that is looked after, and how far it is. */
#[OA\Schema]
final readonly class CareData
{
    /** @param  list<CareDoneData>  $done */
    public function __construct(
        #[OA\Property] public string $id,
        #[OA\Property] public int $machine_id,
        #[OA\Property] public string $machine,
        #[OA\Property] public string $title,
        #[OA\Property] public string $why,
        #[OA\Property(description: 'both null where it comes once')] public ?int $every_days,
        #[OA\Property] public ?int $every_pieces,
        #[OA\Property(enum: ['ok', 'soon', 'due'])] public string $state,
        #[OA\Property(description: 'how far it is, in words')] public string $says,
        #[OA\Property] public string $by,
        #[OA\Property(description: 'seconds since 1970 UTC')] public float $at,
        #[OA\Property(
            description: 'newest first, the last ten',
            type: 'array',
            items: new OA\Items(ref: '#/components/schemas/CareDoneData'),
        )]
        public array $done,
    ) {
    }
}
